import { quantile } from "./quantile";

/** Middle value of one or more finite values; halfway between the two middle ones for an even number. */
export function median(values: readonly number[]): number {
  return quantile(values, 0.5);
}
