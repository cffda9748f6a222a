import { type NoEstimate, noEstimate } from "../model/noEstimate";
import { distribution } from "../numeric/distribution";

/** One stratum: right and wrong in the reference group (a, b), right and wrong in the focal group (c, d). */
export interface Stratum {
  readonly a: number;
  readonly b: number;
  readonly c: number;
  readonly d: number;
}

export interface CommonOdds {
  /** Above 1 when the reference group does better. */
  readonly oddsRatio: number;
  /** Standard error of the logarithm of the odds ratio. */
  readonly logSe: number;
  readonly chiSquare: number;
  readonly p: number;
}

/** Continuity correction, taken off only where the difference is at least as large. */
const CORRECTION = 0.5;

/**
 * Common odds ratio over strata with its chi-square test (Mantel & Haenszel 1959) and the variance of its logarithm
 * (Robins, Breslow & Greenland 1986). "no-comparison" when no stratum holds both groups and both outcomes.
 */
export function commonOddsRatio(strata: readonly Stratum[]): CommonOdds | NoEstimate<"no-comparison"> {
  let [forReference, forFocal, excess, variance] = [0, 0, 0, 0];
  let [logFirst, logMixed, logLast] = [0, 0, 0];
  for (const { a, b, c, d } of strata) {
    const total = a + b + c + d;
    if (total < 2) continue;
    const [ad, bc] = [(a * d) / total, (b * c) / total];
    forReference += ad;
    forFocal += bc;
    excess += a - ((a + b) * (a + c)) / total;
    variance += ((a + b) * (c + d) * (a + c) * (b + d)) / (total * total * (total - 1));
    const [same, cross] = [(a + d) / total, (b + c) / total];
    logFirst += same * ad;
    logMixed += same * bc + cross * ad;
    logLast += cross * bc;
  }
  if (!(forReference > 0 && forFocal > 0 && variance > 0)) return noEstimate("no-comparison");
  const logVariance =
    logFirst / (2 * forReference ** 2) + logMixed / (2 * forReference * forFocal) + logLast / (2 * forFocal ** 2);
  const distance = Math.abs(excess);
  const chiSquare = (distance >= CORRECTION ? distance - CORRECTION : distance) ** 2 / variance;
  return {
    oddsRatio: forReference / forFocal,
    logSe: Math.sqrt(logVariance),
    chiSquare,
    p: distribution.chiSquareAbove(chiSquare, 1),
  };
}
