import { noEstimate } from "../model/noEstimate";
import type { Score } from "../model/score";
import { bisect } from "../numeric/bisect";
import { logistic } from "../numeric/logistic";
import type { Ability, NoAbility } from "./ability";
import { abilityGrid } from "./abilityGrid";
import { type GivenAnswer, givenAnswers } from "./givenAnswers";
import type { ItemParameters } from "./item";
import { logLikelihood } from "./logLikelihood";
import { scoreSlope } from "./scoreSlope";
import { testInformation } from "./testInformation";

/**
 * Weighted-likelihood ability (Warm 1989): the root of dlogL + J / (2 I), which takes out the first-order bias of maximum
 * likelihood and is finite for all right and all wrong too. J = sum of P' P'' / (P Q). Standard error 1 / sqrt(I), logits.
 * Of several roots the one with the highest weighted likelihood. "no-answers" when nothing was given; throws
 * "bad-argument" for bad items or scores.
 * @example wle([{ a: 1, b: 1, c: 0 }, { a: 1, b: 1, c: 0 }], [1, 0]).theta.toFixed(2) // "1.00"
 */
export function wle(items: readonly ItemParameters[], scores: readonly Score[]): Ability | NoAbility {
  const given = givenAnswers(items, scores);
  if (given.length === 0) return noEstimate("no-answers");
  const slopeAt = (theta: number) => scoreSlope(theta, given) + logWeightSlope(theta, given);
  const grid = abilityGrid(given);
  let best = -1;
  let highest = Number.NEGATIVE_INFINITY;
  let logWeight = 0;
  let [slopeBefore, weightBefore] = [0, 0];
  grid.forEach((theta, point) => {
    const weightSlope = logWeightSlope(theta, given);
    const slope = scoreSlope(theta, given) + weightSlope;
    if (point > 0) {
      const width = theta - (grid[point - 1] ?? 0);
      logWeight += ((weightBefore + weightSlope) / 2) * width;
      const value = logLikelihood(theta, given) + logWeight;
      if (slopeBefore > 0 && slope <= 0 && value > highest) [best, highest] = [point, value];
    }
    [slopeBefore, weightBefore] = [slope, weightSlope];
  });
  if (best < 0) return noEstimate("no-maximum");
  const theta = bisect(slopeAt, grid[best - 1] ?? 0, grid[best] ?? 0);
  return {
    theta,
    se:
      1 /
      Math.sqrt(
        testInformation(
          theta,
          given.map(({ item }) => item),
        ),
      ),
    n: given.length,
  };
}

/** J / (2 I) at theta: the derivative of the logarithm of Warm's weight. */
function logWeightSlope(theta: number, given: readonly GivenAnswer[]): number {
  let [j, total] = [0, 0];
  for (const { item } of given) {
    const x = item.a * (theta - item.b);
    const [right, wrong] = [logistic(x), logistic(-x)];
    const share = item.c === 0 ? 1 : right / (item.c + (1 - item.c) * right);
    // P' = (1-c) a L (1-L), P'' = (1-c) a^2 L (1-L)(1-2L), P Q = (c + (1-c) L)(1-c)(1-L).
    const own = (1 - item.c) * item.a ** 2 * share * right * wrong;
    total += own;
    j += own * item.a * (wrong - right);
  }
  // Far from every item nothing varies any more; the weight's slope then keeps its last sign through `j` alone.
  return total > 0 ? j / (2 * total) : 0;
}
