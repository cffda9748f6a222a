import { gradePrior } from "../measurement/gradePrior";
import { masteryFromAbility } from "./masteryFromAbility";

/** Bounds within which a grade alone may place somebody. */
const LEAST = 0.05;
const MOST = 0.7;

/**
 * Chance that a student of a grade has mastered a skill before any answer is known: the share of that grade whose ability
 * lies above the skill's boundary, within 0.05 to 0.70.
 */
export function priorMastery(grade: number, skillDifficulty: number): number {
  const { mean, sd } = gradePrior(grade);
  return Math.min(MOST, Math.max(LEAST, masteryFromAbility({ theta: mean, se: sd }, skillDifficulty)));
}
