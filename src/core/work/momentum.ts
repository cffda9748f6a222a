import { mean } from "../numeric/mean";

/** Less than a quarter up or down is no news. */
const SAID_BEYOND = 0.25;
const LEAST_WEEKS = 3;

/**
 * This week's minutes against the mean of the three weeks before, as a share up or down; null within a quarter, with fewer weeks, or where
 * nothing was done before.
 * @example momentum(40, [20, 20, 20]) // 1
 */
export function momentum(minutes: number, before: readonly number[]): number | null {
  const last = before.slice(-LEAST_WEEKS);
  if (last.length < LEAST_WEEKS || mean(last) === 0) return null;
  const change = minutes / mean(last) - 1;
  return Math.abs(change) > SAID_BEYOND ? change : null;
}
