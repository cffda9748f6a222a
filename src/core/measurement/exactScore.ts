import { demandThat } from "../model/fail";
import { type Rational, rational } from "../numeric/rational";

/**
 * Points of a whole as an exact share, 0 to 1. Points may be decimals ("2.5" as 2.5). Throws "bad-argument" unless 0 <= points <= most and most > 0.
 * @example exactScore(3, 4).toFraction() // "3/4"
 */
export function exactScore(points: number, most: number): Rational {
  demandThat(points >= 0 && most > 0 && points <= most && Number.isFinite(most), "A score needs 0 <= points <= most.", {
    points,
    most,
  });
  return rational(String(points)).div(rational(String(most)));
}
