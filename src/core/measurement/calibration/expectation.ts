import type { CurveFamily, FreeItem } from "./curveFamily";
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
  /** Expected students with each outcome of item j at each node: [item][outcome][node]. */
  readonly counts: readonly (readonly Float64Array[])[];
}

/** Posterior of each pattern over the nodes, and the expected counts an item needs for its M-step. */
export function expectation(
  patterns: readonly ResponsePattern[],
  families: readonly CurveFamily[],
  items: readonly FreeItem[],
  nodes: AbilityNodes,
): Expectation {
  const size = nodes.thetas.length;
  const empty = () => families.map(({ outcomes }) => Array.from({ length: outcomes }, () => new Float64Array(size)));
  const logs = empty();
  families.forEach((family, j) => {
    for (let q = 0; q < size; q++)
      family.chances(nodes.thetas[q] ?? 0, items[j] ?? []).forEach((chance, outcome) => {
        (logs[j]?.[outcome] as Float64Array)[q] = Math.log(chance);
      });
  });
  const counts = empty();
  const logWeights = nodes.weights.map(Math.log);
  let logLikelihood = 0;
  const posteriors = patterns.map(({ scores, count }) => {
    const posterior = Float64Array.from(logWeights);
    scores.forEach((score, j) => {
      if (score === null) return;
      const log = logs[j]?.[score] as Float64Array;
      for (let q = 0; q < size; q++) posterior[q] = (posterior[q] ?? 0) + (log[q] ?? 0);
    });
    logLikelihood += count * normaliseInPlace(posterior);
    scores.forEach((score, j) => {
      if (score === null) return;
      const sums = counts[j]?.[score] as Float64Array;
      for (let q = 0; q < size; q++) sums[q] = (sums[q] ?? 0) + count * (posterior[q] ?? 0);
    });
    return posterior;
  });
  return { logLikelihood, posteriors, counts };
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
