import { demandThat } from "../model/fail";
import { distribution } from "../numeric/distribution";
import type { ShareInterval } from "./wilson";

/** Jeffreys' prior: half a right and half a wrong answer. */
const JEFFREYS = { right: 0.5, wrong: 0.5 } as const;

/**
 * Equal-tailed credible interval of a share after k of n under a beta prior (Jeffreys' unless stated; Brown, Cai & DasGupta
 * 2001, with the ends set to 0 and 1 at k = 0 and k = n). k and n may be weighted counts. The share is the posterior mean.
 * @throws CoreError "bad-argument", where this does not hold: An interval needs 0 <= k <= n, a level between 0 and 1 and a prior above 0.
 * @example credibleInterval(8, 12, 0.95).share.toFixed(2) // "0.65"
 */
export function credibleInterval(
  k: number,
  n: number,
  level: number,
  prior: { readonly right: number; readonly wrong: number } = JEFFREYS,
): ShareInterval & { readonly share: number } {
  demandThat(
    k >= 0 && k <= n && level > 0 && level < 1 && prior.right > 0 && prior.wrong > 0,
    "An interval needs 0 <= k <= n, a level between 0 and 1 and a prior above 0.",
    { k, n, level },
  );
  const [right, wrong] = [k + prior.right, n - k + prior.wrong];
  const tail = (1 - level) / 2;
  return {
    share: right / (right + wrong),
    low: k === 0 ? 0 : distribution.betaQuantile(tail, right, wrong),
    high: k === n ? 1 : distribution.betaQuantile(1 - tail, right, wrong),
    n,
  };
}
