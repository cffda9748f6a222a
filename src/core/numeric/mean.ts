import { demandThat } from "../model/fail";

/**
 * Arithmetic mean of one or more finite values. Throws "bad-argument" for none.
 * @example mean([1, 2, 6]) // 3
 */
export function mean(values: readonly number[]): number {
  demandThat(values.length > 0, "A mean needs at least one value.");
  return values.reduce((sum, value) => sum + value, 0) / values.length;
}
