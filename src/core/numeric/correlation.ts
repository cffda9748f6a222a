import { demandThat } from "../model/fail";
import { mean } from "./mean";

/**
 * Product-moment correlation (Pearson 1895) of two rows of the same length, -1 to 1; null when fewer than two pairs are
 * there or a row does not vary, since nothing can then be said.
 * @throws CoreError "bad-argument", where this does not hold: A correlation needs rows of the same length.
 * @example correlation([1, 2, 3], [2, 4, 6]) // 1
 */
export function correlation(first: readonly number[], second: readonly number[]): number | null {
  demandThat(first.length === second.length, "A correlation needs rows of the same length.");
  if (first.length < 2) return null;
  const [centreFirst, centreSecond] = [mean(first), mean(second)];
  let [product, squareFirst, squareSecond] = [0, 0, 0];
  for (let place = 0; place < first.length; place++) {
    const x = (first[place] ?? 0) - centreFirst;
    const y = (second[place] ?? 0) - centreSecond;
    product += x * y;
    squareFirst += x * x;
    squareSecond += y * y;
  }
  const scale = Math.sqrt(squareFirst * squareSecond);
  // Rounding alone leaves a variance of about 1e-30 in a row of equal values.
  return scale > 1e-12 ? Math.min(1, Math.max(-1, product / scale)) : null;
}
