import { demandThat } from "../model/fail";
import { distribution } from "../numeric/distribution";

/** A share with an interval, all 0 to 1; without any case the share is null and the interval everything. */
export interface ShareInterval {
  readonly share: number | null;
  readonly low: number;
  readonly high: number;
  readonly n: number;
}

/**
 * Wilson's score interval (1927) for k of n at a level such as 0.95. At k = 0 the lower end is exactly 0, at k = n the upper
 * exactly 1; for n = 0 it is [0, 1]. Throws "bad-argument" unless 0 <= k <= n are whole and 0 < level < 1.
 * Example: `wilson(8, 10, 0.95)` gives 0.490 to 0.943.
 * @example wilson(8, 10, 0.95).low.toFixed(3) // "0.490"
 */
export function wilson(k: number, n: number, level: number): ShareInterval {
  demandThat(
    Number.isInteger(k) && Number.isInteger(n) && k >= 0 && k <= n && level > 0 && level < 1,
    "An interval needs whole 0 <= k <= n and a level between 0 and 1.",
    { k, n, level },
  );
  if (n === 0) return { share: null, low: 0, high: 1, n };
  const z = distribution.normalQuantile(1 - (1 - level) / 2);
  const share = k / n;
  const scale = 1 + (z * z) / n;
  const centre = (share + (z * z) / (2 * n)) / scale;
  const half = (z / scale) * Math.sqrt((share * (1 - share)) / n + (z * z) / (4 * n * n));
  return { share, low: k === 0 ? 0 : centre - half, high: k === n ? 1 : centre + half, n };
}
