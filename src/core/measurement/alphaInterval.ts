import { demandThat } from "../model/fail";
import { distribution } from "../numeric/distribution";

/**
 * Interval of coefficient alpha (Feldt 1965): (1 - alpha) of the population over that of the sample follows F with n - 1 and
 * (n - 1)(k - 1) degrees of freedom. `n` students and `k` items, 2 or more each. Throws "bad-argument" for fewer.
 * @example alphaInterval(0.8, 30, 10, 0.95).low.toFixed(2) // "0.67"
 */
export function alphaInterval(
  alpha: number,
  n: number,
  k: number,
  level: number,
): { readonly low: number; readonly high: number } {
  demandThat(alpha <= 1 && n >= 2 && k >= 2 && level > 0 && level < 1, "An interval needs alpha <= 1, n and k >= 2.", {
    alpha,
    n,
    k,
    level,
  });
  const tail = (1 - level) / 2;
  const [upper, lower] = [n - 1, (n - 1) * (k - 1)];
  return {
    low: 1 - (1 - alpha) * distribution.fQuantile(1 - tail, upper, lower),
    high: 1 - (1 - alpha) * distribution.fQuantile(tail, upper, lower),
  };
}
