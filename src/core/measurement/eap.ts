import { demandThat } from "../model/fail";
import type { Score } from "../model/score";
import type { Ability } from "./ability";
import { givenAnswers } from "./givenAnswers";
import type { ItemParameters } from "./item";
import { logLikelihood } from "./logLikelihood";
import { posteriorMoments, USUAL_NODES } from "./posteriorMoments";

/** Normal prior of an ability in logits; `nodes` (odd, 11 or more) only where another grid is compared. */
export interface AbilityPrior {
  readonly mean: number;
  readonly sd: number;
  readonly nodes?: number;
}

/**
 * Expected a-posteriori ability: mean and standard deviation of the posterior over 61 equally spaced nodes on mean +- 6 sd
 * (Bock & Mislevy 1982). Where that is too coarse, for sharp items, many items or a wide prior, nodes are set closer over the part
 * that counts, so that both figures are exact to 1e-4. Without answers it is the prior itself.
 * Throws "bad-argument" for sd <= 0, unequal lengths, or bad items and scores.
 * @example eap([{ a: 1, b: 0, c: 0 }], [1], { mean: 0, sd: 1 }).theta.toFixed(2) // "0.41"
 */
export function eap(items: readonly ItemParameters[], scores: readonly Score[], prior: AbilityPrior): Ability {
  const { mean, sd, nodes = USUAL_NODES } = prior;
  demandThat(sd > 0 && Number.isFinite(sd) && Number.isFinite(mean), "A prior needs a finite mean and sd > 0.", {
    mean,
    sd,
  });
  demandThat(Number.isInteger(nodes) && nodes >= 11 && nodes % 2 === 1, "Nodes are an odd number from 11.", { nodes });
  const given = givenAnswers(items, scores);
  const sharpest = given.reduce((most, { item }) => Math.max(most, item.a), 0);
  const { centre, spread } = posteriorMoments(
    (z) => logLikelihood(mean + sd * z, given),
    prior.nodes === undefined ? { sharpest: sharpest * sd } : { nodes },
  );
  return { theta: mean + sd * centre, se: sd * spread, n: given.length };
}
