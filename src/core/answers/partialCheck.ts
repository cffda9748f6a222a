import type { Rational } from "../numeric/rational";

/** A verdict with the exact share of the points it earns, 0 to 1; right only for all of them. */
export interface PartialCheck {
  readonly verdict: "right" | "partly" | "wrong";
  readonly share: Rational;
}

/**
 * @example partialCheck(rational(1, 2)).verdict // "partly"
 */
export function partialCheck(share: Rational): PartialCheck {
  return { verdict: share.equals(1) ? "right" : share.equals(0) ? "wrong" : "partly", share };
}
