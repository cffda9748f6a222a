import { type FreeItem, itemCurve } from "./itemCurve";
import type { ResponsePattern } from "./responsePatterns";

/** Abilities at which the population is looked at, with the share of it at each. */
export interface AbilityNodes {
  readonly thetas: Float64Array;
  readonly weights: Float64Array;
}

const REACH = 6;
const NODES = 61;

/** Equally spaced nodes on mean +- 6 sd with normal weights that add up to 1. */
export function abilityNodes(mean: number, sd: number): AbilityNodes {
  const z = Float64Array.from({ length: NODES }, (_, node) => -REACH + (2 * REACH * node) / (NODES - 1));
  const density = z.map((value) => Math.exp((-value * value) / 2));
  const total = density.reduce((sum, value) => sum + value, 0);
  return { thetas: z.map((value) => mean + sd * value), weights: density.map((value) => value / total) };
}

/** What the E-step of Bock & Aitkin (1981) yields. */
export interface Expectation {
  readonly logLikelihood: number;
  /** posteriors[pattern][node]: share of that pattern's students at the node. */
  readonly posteriors: readonly Float64Array[];
  /** Expected students given item j, and of them right, at each node: [item][node]. */
  readonly given: readonly Float64Array[];
  readonly right: readonly Float64Array[];
}

/** Posterior of each pattern over the nodes, and the expected counts an item needs for its M-step. */
export function expectation(
  patterns: readonly ResponsePattern[],
  items: readonly FreeItem[],
  nodes: AbilityNodes,
): Expectation {
  const size = nodes.thetas.length;
  const logRight = items.map(() => new Float64Array(size));
  const logWrong = items.map(() => new Float64Array(size));
  items.forEach((item, j) => {
    for (let q = 0; q < size; q++) {
      const { right } = itemCurve(nodes.thetas[q] ?? 0, item);
      (logRight[j] as Float64Array)[q] = Math.log(right);
      (logWrong[j] as Float64Array)[q] = Math.log1p(-right);
    }
  });
  const given = items.map(() => new Float64Array(size));
  const right = items.map(() => new Float64Array(size));
  let logLikelihood = 0;
  const posteriors = patterns.map(({ scores, count }) => {
    const posterior = nodes.weights.map(Math.log);
    scores.forEach((score, j) => {
      if (score === null) return;
      const log = (score === 1 ? logRight[j] : logWrong[j]) as Float64Array;
      for (let q = 0; q < size; q++) posterior[q] = (posterior[q] ?? 0) + (log[q] ?? 0);
    });
    logLikelihood += count * normaliseInPlace(posterior);
    scores.forEach((score, j) => {
      if (score === null) return;
      const all = given[j] as Float64Array;
      const well = right[j] as Float64Array;
      for (let q = 0; q < size; q++) {
        const expected = count * (posterior[q] ?? 0);
        all[q] = (all[q] ?? 0) + expected;
        if (score === 1) well[q] = (well[q] ?? 0) + expected;
      }
    });
    return posterior;
  });
  return { logLikelihood, posteriors, given, right };
}

/** Turns logarithms of masses into shares that add up to 1; returns the logarithm of the total mass. */
function normaliseInPlace(logMass: Float64Array): number {
  const largest = logMass.reduce((most, value) => Math.max(most, value), Number.NEGATIVE_INFINITY);
  let total = 0;
  for (let q = 0; q < logMass.length; q++) {
    const mass = Math.exp((logMass[q] ?? 0) - largest);
    logMass[q] = mass;
    total += mass;
  }
  for (let q = 0; q < logMass.length; q++) logMass[q] = (logMass[q] ?? 0) / total;
  return largest + Math.log(total);
}
