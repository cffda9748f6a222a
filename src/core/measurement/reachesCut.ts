import { demandThat } from "../model/fail";
import { type Rational, rational } from "../numeric/rational";

/**
 * True when an exact share reaches a cut in percent; compared exactly, never after rounding.
 * @throws CoreError "bad-argument", where this does not hold: A cut lies in 0 to 100 percent.
 * @example reachesCut(rational(4, 5), 80) // true
 */
export function reachesCut(share: Rational, cutPercent: number): boolean {
  demandThat(cutPercent >= 0 && cutPercent <= 100, "A cut lies in 0 to 100 percent.", { cutPercent });
  return share.mul(100).compare(rational(String(cutPercent))) >= 0;
}
