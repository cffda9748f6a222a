import { demandThat } from "../model/fail";

/**
 * Quantile by linear interpolation between order statistics (type 7 of Hyndman & Fan 1996): position (n - 1) p from 0.
 * `values` in any order, one or more, finite; `p` from 0 to 1. Throws "bad-argument" otherwise.
 * Example: `quantile([1, 2, 3, 4], 0.25)` is 1.75.
 * @example quantile([0, 10], 0.25) // 2.5
 */
export function quantile(values: readonly number[], p: number): number {
  demandThat(values.length > 0 && values.every(Number.isFinite), "A quantile needs one or more finite values.");
  demandThat(p >= 0 && p <= 1, "A quantile needs 0 <= p <= 1.", { p });
  const sorted = [...values].sort((x, y) => x - y);
  const position = (sorted.length - 1) * p;
  const below = sorted[Math.floor(position)] ?? 0;
  const above = sorted[Math.ceil(position)] ?? 0;
  return below + (above - below) * (position - Math.floor(position));
}
