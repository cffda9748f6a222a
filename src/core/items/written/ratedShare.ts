import { type RubricRules, rubricScore } from "../../measurement/rubricScore";
import type { Rational } from "../../numeric/rational";
import type { RubricCriterion } from "./body";

/** One person scores; a second rating takes the place of the first. */
const ONE_RATER: RubricRules = { raters: 1, tolerance: 0, third: "stands" };

/**
 * Whether points can be given by a rubric: as many as there are criteria, whole, and up to the highest level of each.
 * @example isRating([{ id: "a", name: "Reason", levels: ["none", "some", "full"] }], [2]) // true
 */
export const isRating = (criteria: readonly RubricCriterion[], points: readonly number[]): boolean =>
  points.length === criteria.length &&
  criteria.every(({ levels }, place) => {
    const given = points[place] ?? -1;
    return Number.isInteger(given) && given >= 0 && given < levels.length;
  });

/**
 * The share of everything that points by a rubric come to, exact, 0 to 1. Throws "bad-argument" for points that `isRating` refuses.
 * @example ratedShare([{ id: "a", name: "Reason", levels: ["none", "some", "full"] }], [1]).toFraction() // "1/2"
 */
export function ratedShare(criteria: readonly RubricCriterion[], points: readonly number[]): Rational {
  const asked = criteria.map(({ levels, weight }) => ({
    highest: levels.length - 1,
    ...(weight === undefined ? {} : { weight }),
  }));
  const { score } = rubricScore(asked, [{ raterId: "one", points }], ONE_RATER);
  // With one rating by one person nothing is left to wait for.
  return score as Rational;
}
