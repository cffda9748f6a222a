import { demandThat } from "../model/fail";
import { type Rational, rational } from "../numeric/rational";

/** A part of a piece of work: its exact share and what it weighs (above 0). */
export interface ScorePart {
  readonly score: Rational;
  readonly weight: number;
}

/**
 * Weighted mean of the parts' exact shares; null without parts. The weights are shown wherever the score is.
 * @throws CoreError "bad-argument", where this does not hold: Weights are above 0.
 * @example combinedScore([{ score: rational(1, 2), weight: 1 }, { score: rational(1), weight: 3 }])?.toFraction() // "7/8"
 */
export function combinedScore(parts: readonly ScorePart[]): Rational | null {
  demandThat(
    parts.every(({ weight }) => weight > 0 && Number.isFinite(weight)),
    "Weights are above 0.",
  );
  if (parts.length === 0) return null;
  const total = parts.reduce((sum, { weight }) => sum.add(rational(String(weight))), rational(0));
  return parts.reduce((sum, { score, weight }) => sum.add(score.mul(rational(String(weight)))), rational(0)).div(total);
}
