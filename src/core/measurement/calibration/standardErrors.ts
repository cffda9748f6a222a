import { inverseOfPositive } from "../../numeric/inverseOfPositive";
import { type AbilityNodes, expectation } from "./expectation";
import { type FreeItem, itemCurve } from "./itemCurve";
import type { ItemPrior } from "./itemPrior";
import { observedInformation } from "./maximisation";
import type { ResponsePattern } from "./responsePatterns";

/** An error that others' uncertainty makes so many times larger (its variance) is none: the answers leave the parameter open. */
const MOST_INFLATION = 1e4;

/**
 * Covariance of the free parameters from the observed information by Louis (1982): what the complete data would tell,
 * less the covariance of the complete-data scores given the answers. With a common slope the first row belongs to it and
 * the others to the difficulties; otherwise an item's parameters follow each other. Where the information is singular: the items
 * whose parameters the answers leave open.
 */
export function freeCovariance(
  patterns: readonly ResponsePattern[],
  items: readonly FreeItem[],
  nodes: AbilityNodes,
  prior: ItemPrior,
  commonSlope: boolean,
): { readonly covariance: number[][] } | { readonly open: readonly number[] } {
  const { posteriors, given, right } = expectation(patterns, items, nodes);
  const placeOf = (j: number, parameter: number) =>
    commonSlope ? (parameter === 0 ? 0 : j + 1) : j * (items[0]?.length ?? 0) + parameter;
  const size = commonSlope ? items.length + 1 : items.length * (items[0]?.length ?? 0);
  const observed = Array.from({ length: size }, () => new Float64Array(size));
  items.forEach((item, j) => {
    const own = observedInformation(item, given[j] as Float64Array, right[j] as Float64Array, nodes, prior);
    own.forEach((line, row) => {
      line.forEach((value, column) => {
        add(observed, placeOf(j, row), placeOf(j, column), value);
      });
    });
  });
  const curves = items.map((item) => Array.from(nodes.thetas, (theta) => itemCurve(theta, item)));
  patterns.forEach(({ scores, count }, p) => {
    const posterior = posteriors[p] as Float64Array;
    const centre = new Float64Array(size);
    const scoreAt = new Float64Array(size);
    for (let q = 0; q < posterior.length; q++) {
      const share = posterior[q] ?? 0;
      // Where the pattern's students practically never stand, nothing is added but time.
      if (share < 1e-9) continue;
      scoreAt.fill(0);
      scores.forEach((score, j) => {
        const curve = curves[j]?.[q];
        if (score === null || !curve) return;
        const residual = (score - curve.right) / (curve.right * (1 - curve.right));
        curve.slopes.forEach((slope, parameter) => {
          const place = placeOf(j, parameter);
          scoreAt[place] = (scoreAt[place] ?? 0) + residual * slope;
        });
      });
      subtractOuter(observed, scoreAt, count * share);
      for (let place = 0; place < size; place++) centre[place] = (centre[place] ?? 0) + share * (scoreAt[place] ?? 0);
    }
    subtractOuter(observed, centre, -count);
  });
  const information = observed.map((row) => Array.from(row));
  const covariance = inverseOfPositive(information);
  if (!covariance) return { open: openItems(information, items, placeOf) };
  const isOpen = (place: number) =>
    (information[place]?.[place] ?? 0) * (covariance[place]?.[place] ?? 0) > MOST_INFLATION;
  const open = items.flatMap((item, j) => (item.some((_, parameter) => isOpen(placeOf(j, parameter))) ? [j] : []));
  return open.length > 0 ? { open } : { covariance };
}

/** Items without which the rest could be told; all of them where no single one is the cause. */
function openItems(
  information: readonly (readonly number[])[],
  items: readonly FreeItem[],
  placeOf: (j: number, parameter: number) => number,
): number[] {
  const without = (j: number) => {
    const own = new Set((items[j] ?? []).map((_, parameter) => placeOf(j, parameter)));
    // A slope that all share stays.
    if (placeOf(0, 0) === placeOf(1, 0)) own.delete(0);
    const kept = information.map((_, place) => place).filter((place) => !own.has(place));
    return kept.map((row) => kept.map((column) => information[row]?.[column] ?? 0));
  };
  const causes = items.map((_, j) => j).filter((j) => inverseOfPositive(without(j)) !== null);
  return causes.length > 0 ? causes : items.map((_, j) => j);
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
