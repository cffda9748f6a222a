import { gradePrior } from "../measurement/gradePrior";
import { mean as meanOf } from "../numeric/mean";
import { beliefFromAbility } from "./beliefFromAbility";
import type { SkillBelief } from "./skillBelief";

/** Standard deviations below and above the boundary within which a grade alone may place somebody: chances of 0.05 and 0.70. */
const LOWEST = -1.6449;
const HIGHEST = 0.5244;

/** The grades that content is made for: somebody of unknown grade may be in any of them. */
const GRADES = [1, 2, 3, 4, 5, 6, 7, 8] as const;

/**
 * What is believed of a student of a grade in a skill before any answer is known. A grade that nobody knows (null) counts as any of 1 to 8,
 * each as likely as the others, with the mean and the spread of all of them.
 * @example priorBelief(6, 0).mean // -1
 */
export function priorBelief(grade: number | null, skillDifficulty: number): SkillBelief {
  const beliefs = (grade === null ? GRADES : [grade]).map((one) => {
    const { mean, sd } = gradePrior(one);
    return beliefFromAbility({ theta: mean, se: sd }, skillDifficulty);
  });
  const mean = meanOf(beliefs.map((one) => one.mean));
  const spread = Math.sqrt(meanOf(beliefs.map((one) => one.spread ** 2 + (one.mean - mean) ** 2)));
  return { mean: Math.min(HIGHEST * spread, Math.max(LOWEST * spread, mean)), spread };
}
