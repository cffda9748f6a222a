import { chanceWithin } from "../mastery/chanceWithin";
import type { LearnerState } from "../mastery/learningModel";

/** One usual visit to a skill: scored answers, at 0.9 minutes each. */
export const USUAL_VISIT = { answers: 6, minutes: 5.4 } as const;

/** A skill that could be worked on: the student's state in it, readiness (0 to 1) and the weight of what it unlocks (0 or more). */
export interface WorkableSkill extends LearnerState {
  readonly ready: number;
  readonly unlockedWeight: number;
}

/**
 * Expected gain per minute of working on a skill now: ready * (P after - P before) * (1 + weight of what it unlocks) /
 * minutes, P after being the chance of mastery within the answers of a usual visit. 0 or more.
 * @example expectedGain({ id: "a", mastery: 0.5, learning: 0.1, ready: 1, unlockedWeight: 0 }) > expectedGain({ id: "a", mastery: 0.95, learning: 0.1, ready: 1, unlockedWeight: 0 }) // true
 */
export function expectedGain(skill: WorkableSkill): number {
  const gained = chanceWithin(skill, USUAL_VISIT.answers) - skill.mastery;
  return (skill.ready * gained * (1 + skill.unlockedWeight)) / USUAL_VISIT.minutes;
}
