import { mixedPrior } from "../measurement/mixedPrior";
import { beliefFromAbility } from "./beliefFromAbility";
import type { SkillBelief } from "./skillBelief";

/** Standard deviations below and above the boundary within which a grade alone may place somebody: chances of 0.05 and 0.70. */
const LOWEST = -1.6449;
const HIGHEST = 0.5244;

/**
 * What is believed of a student of a grade in a skill before any answer is known. A grade that nobody knows (null) counts as any of those that
 * content is made for.
 * @example priorBelief(6, 0).mean // -1
 */
export function priorBelief(grade: number | null, skillDifficulty: number): SkillBelief {
  const { mean: theta, sd: se } = mixedPrior([grade]);
  const { mean, spread } = beliefFromAbility({ theta, se }, skillDifficulty);
  return { mean: Math.min(HIGHEST * spread, Math.max(LOWEST * spread, mean)), spread };
}
