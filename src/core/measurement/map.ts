import { demandThat } from "../model/fail";
import type { Score } from "../model/score";
import { bisect } from "../numeric/bisect";
import type { Ability } from "./ability";
import type { AbilityPrior } from "./eap";
import { givenAnswers } from "./givenAnswers";
import type { ItemParameters } from "./item";
import { logLikelihood } from "./logLikelihood";
import { scoreSlope } from "./scoreSlope";
import { testInformation } from "./testInformation";

const GRID_STEPS = 240;
const REACH = 12;

/**
 * Maximum a-posteriori ability (mode of the posterior under a normal prior; Samejima 1969) with
 * 1 / sqrt(information + 1 / sd^2) as standard error, in logits. Always finite; without answers it is the prior.
 * Throws "bad-argument" for sd <= 0, or bad items and scores.
 * @example map([{ a: 1, b: 0, c: 0 }], [1], { mean: 0, sd: 1 }).theta.toFixed(2) // "0.40"
 */
export function map(
  items: readonly ItemParameters[],
  scores: readonly Score[],
  { mean, sd }: Omit<AbilityPrior, "nodes">,
): Ability {
  demandThat(sd > 0 && Number.isFinite(sd) && Number.isFinite(mean), "A prior needs a finite mean and sd > 0.", {
    mean,
    sd,
  });
  const given = givenAnswers(items, scores);
  const step = (2 * REACH * sd) / GRID_STEPS;
  const logPosterior = (theta: number) => logLikelihood(theta, given) - ((theta - mean) / sd) ** 2 / 2;
  let best = mean;
  for (let n = 0; n <= GRID_STEPS; n++) {
    const theta = mean - REACH * sd + n * step;
    if (logPosterior(theta) > logPosterior(best)) best = theta;
  }
  const theta = bisect((x) => scoreSlope(x, given) - (x - mean) / (sd * sd), best - step, best + step);
  const precision =
    testInformation(
      theta,
      given.map(({ item }) => item),
    ) +
    1 / (sd * sd);
  return { theta, se: 1 / Math.sqrt(precision), n: given.length };
}
