import { distribution } from "../numeric/distribution";
import type { SkillBelief } from "./skillBelief";

/** However many the answers, this much doubt stays. */
export const LEAST_CHANCE = 0.005;
export const MOST_CHANCE = 0.995;

/**
 * Chance that a student's ability in a skill lies above the boundary of mastery, within 0.005 to 0.995.
 * @example chanceOfMastery({ mean: 0, spread: 0.5 }) // 0.5
 */
export function chanceOfMastery({ mean, spread }: SkillBelief): number {
  return Math.min(MOST_CHANCE, Math.max(LEAST_CHANCE, distribution.normalBelow(mean / spread)));
}
