import { demandThat } from "../model/fail";
import { wilson } from "./wilson";

/** The difference of two shares, the first less the second, with its interval; -1 to 1. */
export interface SharesApart {
  readonly difference: number;
  readonly low: number;
  readonly high: number;
  /** Whether the first lies above or below the second beyond what luck often does. */
  readonly apart: "above" | "below" | "within-luck";
}

/**
 * Two independent shares (k of n each) set against each other: the hybrid score interval of their difference (Newcombe 1998, method 10), at a level
 * such as 0.99. Without any case on one side nothing can be told.
 * @throws CoreError "bad-argument", where this does not hold: Both shares are of one case or more.
 * @example sharesApart({ k: 56, n: 70 }, { k: 48, n: 80 }, 0.95).low.toFixed(4) // "0.0524"
 */
export function sharesApart(
  one: { readonly k: number; readonly n: number },
  other: { readonly k: number; readonly n: number },
  level: number,
): SharesApart {
  demandThat(one.n > 0 && other.n > 0, "Both shares are of one case or more.", { n: one.n, other: other.n });
  const [first, second] = [wilson(one.k, one.n, level), wilson(other.k, other.n, level)];
  const [p, q] = [one.k / one.n, other.k / other.n];
  const difference = p - q;
  const low = difference - Math.hypot(p - first.low, second.high - q);
  const high = difference + Math.hypot(first.high - p, q - second.low);
  return { difference, low, high, apart: low > 0 ? "above" : high < 0 ? "below" : "within-luck" };
}
