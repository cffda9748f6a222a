import jStat from "jstat";
import { demandThat } from "../model/fail";

/**
 * Distribution functions and quantiles (`jstat` behind them). Quantiles take a chance strictly between 0 and 1; degrees of
 * freedom are positive. All throw "bad-argument" outside their ranges, so that no NaN leaves them.
 */
export const distribution = {
  /** Chance that a standard normal value lies below z. */
  normalBelow(z: number): number {
    demandThat(!Number.isNaN(z), "A normal deviate must be a number.", { z });
    return jStat.normal.cdf(z, 0, 1);
  },
  /** The z below which a standard normal value lies with the given chance. */
  normalQuantile(chance: number): number {
    inside(chance);
    return jStat.normal.inv(chance, 0, 1);
  },
  studentQuantile(chance: number, degreesOfFreedom: number): number {
    inside(chance);
    positive(degreesOfFreedom);
    return jStat.studentt.inv(chance, degreesOfFreedom);
  },
  /** Chance that a chi-square value lies above x (x >= 0). */
  chiSquareAbove(x: number, degreesOfFreedom: number): number {
    demandThat(x >= 0, "A chi-square value is 0 or more.", { x });
    positive(degreesOfFreedom);
    return 1 - jStat.chisquare.cdf(x, degreesOfFreedom);
  },
  fQuantile(chance: number, upper: number, lower: number): number {
    inside(chance);
    positive(upper);
    positive(lower);
    return jStat.centralF.inv(chance, upper, lower);
  },
  betaQuantile(chance: number, alpha: number, beta: number): number {
    inside(chance);
    positive(alpha);
    positive(beta);
    return jStat.beta.inv(chance, alpha, beta);
  },
} as const;

function inside(chance: number): void {
  demandThat(chance > 0 && chance < 1, "A quantile needs a chance between 0 and 1.", { chance });
}

function positive(parameter: number): void {
  demandThat(parameter > 0 && Number.isFinite(parameter), "A distribution needs a positive, finite parameter.", {
    parameter,
  });
}
