import { abilityNodes } from "../measurement/calibration/expectation";
import { expectedScore } from "../measurement/expectedScore";
import type { ItemParameters } from "../measurement/item";
import { probability } from "../measurement/probability";
import { testInformation } from "../measurement/testInformation";
import { demandThat } from "../model/fail";
import { type NoEstimate, noEstimate } from "../model/noEstimate";

export interface FormPrediction {
  /** Expected mean and standard deviation of the number right in the group. */
  readonly mean: number;
  readonly sd: number;
  /** Variance of true scores over that of observed ones in the group. */
  readonly reliability: number;
  /** Standard error of theta at the cut, in logits. */
  readonly seAtCut: number;
}

/**
 * What a form will show before it is given, in a group of normal ability: mean, spread and reliability of the number right
 * (marginal reliability; Kolen, Zeng & Hanson 1996), and the standard error at the cut.
 * @throws CoreError "bad-argument", where this does not hold: A prediction needs a group with sd > 0 and a cut.
 * @example predictForm([{ a: 1, b: 0, c: 0 }], { mean: 0, sd: 1 }, 0.5).mean?.toFixed(2) // "0.50"
 */
export function predictForm(
  items: readonly ItemParameters[],
  group: { readonly mean: number; readonly sd: number },
  cut: number,
): FormPrediction | NoEstimate<"no-items"> {
  demandThat(group.sd > 0 && Number.isFinite(cut), "A prediction needs a group with sd > 0 and a cut.", {
    ...group,
    cut,
  });
  if (items.length === 0) return noEstimate("no-items");
  const { thetas, weights } = abilityNodes(group.mean, group.sd);
  let [mean, square, error] = [0, 0, 0];
  thetas.forEach((theta, node) => {
    const weight = weights[node] ?? 0;
    const expected = expectedScore(theta, items);
    mean += weight * expected;
    square += weight * expected ** 2;
    error += weight * items.reduce((sum, item) => sum + probability(theta, item) * (1 - probability(theta, item)), 0);
  });
  const trueVariance = Math.max(0, square - mean ** 2);
  return {
    mean,
    sd: Math.sqrt(trueVariance + error),
    reliability: trueVariance / (trueVariance + error),
    seAtCut: 1 / Math.sqrt(testInformation(cut, items)),
  };
}
