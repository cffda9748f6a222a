import { CoreError } from "../model/fail";
import { logistic } from "../numeric/logistic";

/** Parameters of an item: discrimination a > 0, difficulty b in logits, guessing 0 <= c < 1. */
export interface ItemParameters {
  readonly a: number;
  readonly b: number;
  readonly c: number;
}

/**
 * Chance of a right answer under the three-parameter logistic model in the logistic metric (D = 1):
 * P = c + (1 - c) / (1 + exp(-a (theta - b))). Birnbaum 1968, in Lord & Novick, chapter 17.
 * `theta` in logits. Throws "bad-argument" for a <= 0, c outside [0, 1) or a value that is not finite.
 */
export function probability(theta: number, item: ItemParameters): number {
  const { a, b, c } = item;
  if (!(a > 0 && c >= 0 && c < 1 && Number.isFinite(a) && Number.isFinite(b) && Number.isFinite(theta))) {
    throw new CoreError("bad-argument", "An item needs a > 0, 0 <= c < 1 and finite a, b and theta.", {
      theta,
      a,
      b,
      c,
    });
  }
  return c + (1 - c) * logistic(a * (theta - b));
}
