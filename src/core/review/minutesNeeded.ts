import { demandThat } from "../model/fail";
import { reviewMemory } from "./reviewMemory";
import { type ReviewSkill, WANTED_RECALL } from "./reviewSkill";

const DAYS_PER_WEEK = 7;

export interface MinutesNeeded {
  /** Minutes a week that keep each skill above the wanted recall at its present memory. */
  readonly needed: number;
  readonly given: number;
  /** Given over needed; null when nothing is needed. */
  readonly share: number | null;
}

/**
 * Minutes of review a week needed against those given: each skill must be met once in every interval at which it is due.
 * @throws CoreError "bad-argument", where this does not hold: Minutes given are 0 or more.
 */
export function minutesNeeded(
  skills: readonly ReviewSkill[],
  givenPerWeek: number,
  wanted: number = WANTED_RECALL,
): MinutesNeeded {
  demandThat(givenPerWeek >= 0, "Minutes given are 0 or more.", { givenPerWeek });
  const needed = skills.reduce((sum, { memory, minutes }) => {
    // Nobody is asked the same skill twice a day.
    const interval = Math.max(1, reviewMemory.daysUntil(memory.stabilityDays, wanted));
    return sum + (minutes * DAYS_PER_WEEK) / interval;
  }, 0);
  return { needed, given: givenPerWeek, share: needed > 0 ? givenPerWeek / needed : null };
}
