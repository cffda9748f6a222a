import { quantile } from "./quantile";

/**
 * Middle value of one or more finite values; halfway between the two middle ones for an even number.
 * @example median([1, 9, 2]) // 2
 */
export function median(values: readonly number[]): number {
  return quantile(values, 0.5);
}
