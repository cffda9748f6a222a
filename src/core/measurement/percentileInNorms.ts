import { demandThat } from "../model/fail";

/** One line of a norm table of a grade and season: a score and the percentile rank (0 to 100) it had in the norm group. */
export interface NormPoint {
  readonly score: number;
  readonly percentile: number;
}

/**
 * Percentile rank of a score in a loaded norm table by linear interpolation between its neighbours. Below or above the
 * table the end's rank holds and `beyond` says so. Throws "bad-argument" unless scores rise and ranks do not fall.
 * @example percentileInNorms(15, [{ score: 10, percentile: 20 }, { score: 20, percentile: 40 }]).percentile // 30
 */
export function percentileInNorms(
  score: number,
  norms: readonly NormPoint[],
): { readonly percentile: number; readonly beyond: "below" | "above" | null } {
  const rising = norms.every((point, place) => {
    const before = norms[place - 1];
    return !before || (point.score > before.score && point.percentile >= before.percentile);
  });
  const within = norms.every(({ percentile }) => percentile >= 0 && percentile <= 100);
  demandThat(norms.length > 0 && rising && within, "A norm table has rising scores and ranks within 0 to 100.");
  demandThat(Number.isFinite(score), "A norm needs a finite score.", { score });
  const above = norms.findIndex((point) => point.score >= score);
  const [first, last] = [norms[0], norms.at(-1)];
  if (above === -1) return { percentile: last?.percentile ?? 0, beyond: "above" };
  const upper = norms[above] as NormPoint;
  const lower = norms[above - 1];
  if (!lower) return { percentile: first?.percentile ?? 0, beyond: upper.score === score ? null : "below" };
  const share = (score - lower.score) / (upper.score - lower.score);
  return { percentile: lower.percentile + share * (upper.percentile - lower.percentile), beyond: null };
}
