import { demandThat } from "../model/fail";
import type { Score } from "../model/score";
import type { Ability } from "./ability";
import { givenAnswers } from "./givenAnswers";
import type { ItemParameters } from "./item";
import { logLikelihood } from "./logLikelihood";

/** Equally spaced nodes, and how many prior standard deviations they reach to each side. */
const USUAL_NODES = 61;
const REACH = 6;
/** Nodes stand near enough when their distance is no more than this share of the posterior's spread, and this over the sharpest item. */
const OF_SPREAD = 0.7;
const OVER_SHARPEST = 1.6;
/** Where the posterior is so many times smaller than at its height (e to this), there is nothing to add up. */
const NEGLIGIBLE = 40;
const MOST_NODES = 4001;

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
  // In standard deviations of the prior.
  const sharpest = given.reduce((most, { item }) => Math.max(most, item.a), 0) * sd;
  const height = (z: number) => logLikelihood(mean + sd * z, given) - (z * z) / 2;
  let grid = { from: -REACH, step: (2 * REACH) / (nodes - 1), nodes };
  let found = momentsOn(height, grid);
  while (prior.nodes === undefined) {
    const wanted = Math.min(OF_SPREAD * Math.max(found.spread, grid.step / 4), OVER_SHARPEST / Math.max(1, sharpest));
    if (grid.step <= wanted || grid.nodes >= MOST_NODES) break;
    const from = Math.max(-REACH, found.low - grid.step);
    const count = Math.ceil((Math.min(REACH, found.high + grid.step) - from) / wanted) + 1;
    grid = { from, step: wanted, nodes: Math.min(MOST_NODES, count) };
    found = momentsOn(height, grid);
  }
  return { theta: mean + sd * found.centre, se: sd * found.spread, n: given.length };
}

interface Grid {
  readonly from: number;
  readonly step: number;
  readonly nodes: number;
}

/** Mean and spread of a density given by its logarithm at equally spaced nodes, and the first and the last that count. */
function momentsOn(height: (z: number) => number, { from, step, nodes }: Grid) {
  const heights = new Float64Array(nodes);
  let largest = Number.NEGATIVE_INFINITY;
  for (let node = 0; node < nodes; node++) {
    const value = height(from + node * step);
    heights[node] = value;
    if (value > largest) largest = value;
  }
  let [mass, first, second] = [0, 0, 0];
  let [low, high] = [Number.POSITIVE_INFINITY, Number.NEGATIVE_INFINITY];
  for (let node = 0; node < nodes; node++) {
    const z = from + node * step;
    // Taken against the largest, or sixty answers underflow to nothing.
    const below = (heights[node] ?? 0) - largest;
    if (below > -NEGLIGIBLE) {
      low = Math.min(low, z);
      high = z;
    }
    const weight = Math.exp(below);
    mass += weight;
    first += weight * z;
    second += weight * z * z;
  }
  const centre = first / mass;
  return { centre, spread: Math.sqrt(Math.max(0, second / mass - centre * centre)), low, high };
}
