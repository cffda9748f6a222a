import { demandThat } from "../model/fail";
import { logistic } from "../numeric/logistic";
import { demandItem, type ItemParameters } from "./item";

/**
 * Chance of a right answer under the three-parameter logistic model in the logistic metric (D = 1):
 * P = c + (1 - c) / (1 + exp(-a (theta - b))). Birnbaum 1968, in Lord & Novick, chapter 17.
 * `theta` in logits. Throws "bad-argument" for a <= 0, c outside [0, 1) or a value that is not finite.
 * @example probability(0, { a: 1, b: 0, c: 0.2 }).toFixed(2) // "0.60"
 */
export function probability(theta: number, item: ItemParameters): number {
  demandItem(item);
  demandThat(Number.isFinite(theta), "A chance needs a finite theta.", { theta });
  return item.c + (1 - item.c) * logistic(item.a * (theta - item.b));
}
