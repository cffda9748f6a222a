import { distribution } from "../numeric/distribution";
import { reviewMemory } from "../review/reviewMemory";
import { masteryToday } from "./masteryToday";
import type { SkillBelief } from "./skillBelief";
import type { SkillState } from "./skillState";

/** Spread that a belief comes back to while a skill rests. */
const RESTING_SPREAD = 1.2;

/**
 * What is believed on a day: the ability that gives that day's chance of mastery, less certain the longer the skill rested.
 * @example beliefOn({ mean: 1, spread: 0.5, mastery: 0.977, prior: 0.2, lastDay: 100, stabilityDays: 20 }, 100).mean // 1
 */
export function beliefOn(
  state: Pick<SkillState, "mean" | "spread" | "mastery" | "prior" | "lastDay" | "stabilityDays">,
  day: number,
): SkillBelief {
  const recall = reviewMemory.recall(state.stabilityDays, day - state.lastDay);
  if (recall === 1) return { mean: state.mean, spread: state.spread };
  const spread = Math.sqrt(recall * state.spread ** 2 + (1 - recall) * RESTING_SPREAD ** 2);
  return { mean: spread * distribution.normalQuantile(masteryToday(state, day)), spread };
}
