import { demandThat } from "../model/fail";
import { type NoEstimate, noEstimate } from "../model/noEstimate";
import { sampleVariance } from "../numeric/sampleVariance";

export type NoAlpha = NoEstimate<"one-item" | "too-few-students" | "no-variance">;

/**
 * Coefficient alpha (Cronbach 1951) of complete rows of item scores: k / (k - 1) (1 - sum of item variances / variance of
 * totals), all with n - 1; for right-wrong items it is KR-20. At most 1, may be negative. Throws for ragged rows.
 * @example cronbachAlpha([[1, 1], [0, 0], [1, 1]]).alpha // 1
 */
export function cronbachAlpha(rows: readonly (readonly number[])[]): { readonly alpha: number } | NoAlpha {
  const width = rows[0]?.length ?? 0;
  demandThat(
    rows.every((row) => row.length === width && row.every(Number.isFinite)),
    "Alpha needs complete rows of one length.",
  );
  if (rows.length < 2) return noEstimate("too-few-students");
  if (width < 2) return noEstimate("one-item");
  const total = sampleVariance(rows.map((row) => row.reduce((sum, score) => sum + score, 0)));
  if (total === 0) return noEstimate("no-variance");
  let items = 0;
  for (let j = 0; j < width; j++) items += sampleVariance(rows.map((row) => row[j] ?? 0));
  return { alpha: (width / (width - 1)) * (1 - items / total) };
}
