import { demandThat } from "../model/fail";
import { logistic } from "../numeric/logistic";
import { demandItem, type ItemParameters } from "./item";

/**
 * Fisher information of an item at an ability, per logit squared, 0 or more:
 * I = a^2 (Q / P) ((P - c) / (1 - c))^2 (Birnbaum 1968; Lord 1980, equation 5-9). `theta` in logits. With L the logistic
 * of a (theta - b), P - c = (1 - c) L and Q = (1 - c)(1 - L), which stays exact where P is 0 or 1 to the last digit.
 * Throws "bad-argument" for a bad item or theta. Example: a = 1, b = 0, c = 0 at theta = 0 gives 0.25.
 * @example information(0, { a: 1, b: 0, c: 0 }) // 0.25
 */
export function information(theta: number, item: ItemParameters): number {
  demandItem(item);
  demandThat(Number.isFinite(theta), "Information needs a finite theta.", { theta });
  const { a, b, c } = item;
  const x = a * (theta - b);
  const right = logistic(x);
  const wrong = logistic(-x);
  if (c === 0) return a * a * right * wrong;
  return (a * a * (1 - c) * wrong * right * right) / (c + (1 - c) * right);
}
