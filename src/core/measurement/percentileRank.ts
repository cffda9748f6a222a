import { demandThat } from "../model/fail";

/**
 * Percentile rank of x among values, 0 to 100, ties counted half (mid-rank): 100 (below + equal / 2) / n.
 * Throws "bad-argument" for no values or ones that are not finite. Example: `percentileRank([1, 2, 2, 3], 2)` is 50.
 * @example percentileRank([1, 2, 3, 4], 3) // 62.5
 */
export function percentileRank(values: readonly number[], x: number): number {
  demandThat(
    values.length > 0 && values.every(Number.isFinite) && Number.isFinite(x),
    "A percentile rank needs one or more finite values.",
    { n: values.length, x },
  );
  const below = values.filter((value) => value < x).length;
  const equal = values.filter((value) => value === x).length;
  return (100 * (below + equal / 2)) / values.length;
}
