import { gradePrior } from "../measurement/gradePrior";
import { masteryFromAbility } from "./masteryFromAbility";

/** Bounds within which a grade alone may place somebody. */
const LEAST = 0.05;
const MOST = 0.7;

/** The grades that content is made for: somebody of unknown grade may be in any of them. */
const GRADES = [1, 2, 3, 4, 5, 6, 7, 8] as const;

/**
 * Chance that a student of a grade has mastered a skill before any answer is known: the share of that grade whose ability
 * lies above the skill's boundary, within 0.05 to 0.70. A grade that nobody knows (null) counts as any of 1 to 8, each as
 * likely as the others.
 * @example priorMastery(null, 0).toFixed(2) // "0.14"
 */
export function priorMastery(grade: number | null, skillDifficulty: number): number {
  const shares = (grade === null ? GRADES : [grade]).map((one) => {
    const { mean, sd } = gradePrior(one);
    return masteryFromAbility({ theta: mean, se: sd }, skillDifficulty);
  });
  const share = shares.reduce((sum, one) => sum + one, 0) / shares.length;
  return Math.min(MOST, Math.max(LEAST, share));
}
