import type { WrittenScore } from "./readScores";

/**
 * Scores of one column on one scale: shares where each says of how many, points where none does; null where some do and others do not.
 * @example sameScale([{ score: 7, outOf: 10 }, { score: 16, outOf: 20 }]) // [0.7, 0.8]
 */
export function sameScale(scores: readonly WrittenScore[]): number[] | null {
  const said = scores.filter(({ outOf }) => outOf !== null).length;
  if (said !== 0 && said !== scores.length) return null;
  return scores.map(({ score, outOf }) => (outOf === null ? score : score / outOf));
}
