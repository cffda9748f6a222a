import type { Rational } from "../numeric/rational";

/**
 * A share as whole percent, rounded down, so that the number shown never claims a cut that was not reached: 69.6 is 69.
 * @example percentDown(rational(2, 3)) // 66
 */
export function percentDown(share: Rational): number {
  return share.mul(100).floor().valueOf();
}
