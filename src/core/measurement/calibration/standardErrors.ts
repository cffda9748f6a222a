import { inverseOfPositive } from "../../numeric/inverseOfPositive";
import type { CurveFamily, FreeItem } from "./curveFamily";
import { type AbilityNodes, expectation } from "./expectation";
import type { ItemPrior } from "./itemPrior";
import type { Layout } from "./layout";
import { observedInformation } from "./maximisation";
import type { ResponsePattern } from "./responsePatterns";

/** An error that others' uncertainty makes so many times larger (its variance) is none: the answers leave the parameter open. */
const MOST_INFLATION = 1e4;

/** What was estimated, and on what. */
export interface Estimated {
  readonly patterns: readonly ResponsePattern[];
  readonly families: readonly CurveFamily[];
  readonly items: readonly FreeItem[];
  readonly nodes: AbilityNodes;
  readonly sd: number;
  readonly mean: number;
  readonly prior: ItemPrior;
  readonly layout: Layout;
}

/**
 * Covariance of the free parameters from the observed information by Louis (1982): what the complete data would tell,
 * less the covariance of the complete-data scores given the answers. Where the information is singular: the items
 * whose parameters the answers leave open.
 */
export function freeCovariance(
  estimated: Estimated,
): { readonly covariance: number[][] } | { readonly open: readonly number[] } {
  const { items, layout } = estimated;
  const information = louisInformation(estimated);
  const covariance = inverseOfPositive(information);
  if (!covariance) return { open: openItems(information, items, layout) };
  const isOpen = (place: number) =>
    place >= 0 && (information[place]?.[place] ?? 0) * (covariance[place]?.[place] ?? 0) > MOST_INFLATION;
  const open = items.flatMap((item, j) =>
    item.some((_, parameter) => isOpen(layout.placeOf(j, parameter))) ? [j] : [],
  );
  return open.length > 0 ? { open } : { covariance };
}

function louisInformation(estimated: Estimated): number[][] {
  const { patterns, families, items, nodes, mean, sd, prior, layout } = estimated;
  const { posteriors, counts } = expectation(patterns, families, items, nodes);
  const observed = Array.from({ length: layout.size }, () => new Float64Array(layout.size));
  items.forEach((item, j) => {
    if (layout.placeOf(j, 1) < 0) return;
    const own = observedInformation(item, families[j] as CurveFamily, counts[j] ?? [], nodes, prior);
    own.forEach((line, row) => {
      line.forEach((value, column) => {
        add(observed, layout.placeOf(j, row), layout.placeOf(j, column), value);
      });
    });
  });
  const slopes = items.map((item, j) => Array.from(nodes.thetas, (theta) => families[j]?.slopes(theta, item) ?? []));
  const { population } = layout;
  patterns.forEach(({ scores, count }, p) => {
    const posterior = posteriors[p] as Float64Array;
    const centre = new Float64Array(layout.size);
    const scoreAt = new Float64Array(layout.size);
    for (let q = 0; q < posterior.length; q++) {
      const share = posterior[q] ?? 0;
      // Where the pattern's students practically never stand, nothing is added but time.
      if (share < 1e-9) continue;
      scoreAt.fill(0);
      scores.forEach((score, j) => {
        if (score === null) return;
        slopes[j]?.[q]?.[score]?.forEach((slope, parameter) => {
          const place = layout.placeOf(j, parameter);
          if (place >= 0) scoreAt[place] = (scoreAt[place] ?? 0) + slope;
        });
      });
      if (population >= 0) {
        // The normal density of the population by its mean and the logarithm of its spread.
        const z = ((nodes.thetas[q] ?? 0) - mean) / sd;
        scoreAt[population] = z / sd;
        scoreAt[population + 1] = z * z - 1;
        add(observed, population, population, (count * share) / sd ** 2);
        add(observed, population, population + 1, (2 * count * share * z) / sd);
        add(observed, population + 1, population, (2 * count * share * z) / sd);
        add(observed, population + 1, population + 1, 2 * count * share * z * z);
      }
      subtractOuter(observed, scoreAt, count * share);
      for (let place = 0; place < layout.size; place++)
        centre[place] = (centre[place] ?? 0) + share * (scoreAt[place] ?? 0);
    }
    subtractOuter(observed, centre, -count);
  });
  return observed.map((row) => Array.from(row));
}

/** Items without which the rest could be told; all of them where no single one is the cause. */
function openItems(
  information: readonly (readonly number[])[],
  items: readonly FreeItem[],
  { placeOf }: Layout,
): number[] {
  const estimated = items.map((_, j) => j).filter((j) => placeOf(j, 1) >= 0);
  const [first = 0, second = 0] = estimated;
  const isShared = first !== second && placeOf(first, 0) === placeOf(second, 0);
  const without = (j: number) => {
    const own = new Set((items[j] ?? []).map((_, parameter) => placeOf(j, parameter)));
    // A slope that all share stays.
    if (isShared) own.delete(placeOf(j, 0));
    const kept = information.map((_, place) => place).filter((place) => !own.has(place));
    return kept.map((row) => kept.map((column) => information[row]?.[column] ?? 0));
  };
  const causes = estimated.filter((j) => inverseOfPositive(without(j)) !== null);
  return causes.length > 0 ? causes : estimated;
}

function subtractOuter(matrix: readonly Float64Array[], vector: Float64Array, factor: number): void {
  for (let row = 0; row < vector.length; row++) {
    const scaled = factor * (vector[row] ?? 0);
    if (scaled === 0) continue;
    const line = matrix[row] as Float64Array;
    for (let column = 0; column < vector.length; column++)
      line[column] = (line[column] ?? 0) - scaled * (vector[column] ?? 0);
  }
}

function add(matrix: readonly Float64Array[], row: number, column: number, value: number): void {
  const line = matrix[row] as Float64Array;
  line[column] = (line[column] ?? 0) + value;
}
