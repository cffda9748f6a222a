import { demandThat } from "../model/fail";
import { mean } from "./mean";

/**
 * Variance with n - 1 in the denominator, of two or more values. Throws "bad-argument" for fewer.
 * @example sampleVariance([1, 3]) // 2
 */
export function sampleVariance(values: readonly number[]): number {
  demandThat(values.length > 1, "A sample variance needs at least two values.", { n: values.length });
  const centre = mean(values);
  return values.reduce((sum, value) => sum + (value - centre) ** 2, 0) / (values.length - 1);
}
