import { inverseOfPositive } from "../../numeric/inverseOfPositive";
import type { AbilityNodes, Expectation } from "./expectation";
import { type FreeItem, itemBends, itemCurve } from "./itemCurve";
import { type ItemPrior, priorPull } from "./itemPrior";

/** Bounds of the free parameters: an estimate that reaches one has not converged to anything a test can use. */
export const FREE_BOUNDS = [
  { low: Math.log(0.05), high: Math.log(20) },
  { low: -25, high: 25 },
  { low: -7, high: 1 },
] as const;
/** Largest step of one parameter in one iteration: a longer one overshoots where the curve is flat. */
const LONGEST_STEP = 0.7;
const INNER_STEPS = 3;

/** The M-step of one item by Fisher scoring on its expected counts; `fixedSlope` leaves log a as it is. */
export function maximiseItem(
  free: FreeItem,
  j: number,
  { given, right }: Pick<Expectation, "given" | "right">,
  nodes: AbilityNodes,
  prior: ItemPrior,
  fixedSlope: boolean,
): number[] {
  let item = [...free];
  for (let step = 0; step < INNER_STEPS; step++) {
    const { gradient, information } = itemScore(item, given[j] as Float64Array, right[j] as Float64Array, nodes, prior);
    const open = item.map((_, place) => place).filter((place) => !(fixedSlope && place === 0));
    const inverse = inverseOfPositive(open.map((row) => open.map((column) => information[row]?.[column] ?? 0)));
    if (!inverse) return item;
    const moved = [...item];
    open.forEach((place, row) => {
      const shift = open.reduce(
        (sum, other, column) => sum + (inverse[row]?.[column] ?? 0) * (gradient[other] ?? 0),
        0,
      );
      moved[place] = bounded((item[place] ?? 0) + clamp(shift, -LONGEST_STEP, LONGEST_STEP), place);
    });
    item = moved;
  }
  return item;
}

/** The M-step of the slope that all items share: one Newton step on the summed gradient. */
export function maximiseCommonSlope(
  items: readonly FreeItem[],
  { given, right }: Pick<Expectation, "given" | "right">,
  nodes: AbilityNodes,
): number {
  let [gradient, curvature] = [0, 0];
  items.forEach((item, j) => {
    const own = itemScore(item, given[j] as Float64Array, right[j] as Float64Array, nodes, {});
    gradient += own.gradient[0] ?? 0;
    curvature += own.information[0]?.[0] ?? 0;
  });
  const logA = items[0]?.[0] ?? 0;
  return curvature > 0 ? bounded(logA + clamp(gradient / curvature, -LONGEST_STEP, LONGEST_STEP), 0) : logA;
}

/** Gradient and expected information of one item's complete-data log-likelihood with its prior, by the free parameters. */
export function itemScore(
  item: FreeItem,
  given: Float64Array,
  right: Float64Array,
  nodes: AbilityNodes,
  prior: ItemPrior,
): { gradient: number[]; information: number[][] } {
  const pull = priorPull(item, prior);
  const gradient = [...pull.gradient];
  const information = item.map((_, row) => item.map((_, column) => (row === column ? (pull.curvature[row] ?? 0) : 0)));
  for (let q = 0; q < nodes.thetas.length; q++) {
    const curve = itemCurve(nodes.thetas[q] ?? 0, item);
    const variance = curve.right * (1 - curve.right);
    const residual = ((right[q] ?? 0) - (given[q] ?? 0) * curve.right) / variance;
    const weight = (given[q] ?? 0) / variance;
    curve.slopes.forEach((slope, row) => {
      gradient[row] = (gradient[row] ?? 0) + residual * slope;
      const line = information[row] as number[];
      curve.slopes.forEach((other, column) => {
        line[column] = (line[column] ?? 0) + weight * slope * other;
      });
    });
  }
  return { gradient, information };
}

/**
 * Observed information of one item's complete-data log-likelihood with its prior: with guessing it differs from the expected one, on which
 * the steps run, by what the answers bend.
 */
export function observedInformation(
  item: FreeItem,
  given: Float64Array,
  right: Float64Array,
  nodes: AbilityNodes,
  prior: ItemPrior,
): number[][] {
  const pull = priorPull(item, prior);
  const information = item.map((_, row) => item.map((_, column) => (row === column ? (pull.curvature[row] ?? 0) : 0)));
  for (let q = 0; q < nodes.thetas.length; q++) {
    const theta = nodes.thetas[q] ?? 0;
    const curve = itemCurve(theta, item);
    const [rights, wrongs] = [right[q] ?? 0, (given[q] ?? 0) - (right[q] ?? 0)];
    const squared = rights / curve.right ** 2 + wrongs / (1 - curve.right) ** 2;
    const residual = rights / curve.right - wrongs / (1 - curve.right);
    itemBends(theta, item).forEach((bends, row) => {
      const line = information[row] as number[];
      bends.forEach((bend, column) => {
        const slopes = (curve.slopes[row] ?? 0) * (curve.slopes[column] ?? 0);
        line[column] = (line[column] ?? 0) + squared * slopes - residual * bend;
      });
    });
  }
  return information;
}

function clamp(value: number, low: number, high: number): number {
  return Math.min(high, Math.max(low, value));
}

function bounded(value: number, place: number): number {
  const { low, high } = FREE_BOUNDS[place] ?? FREE_BOUNDS[1];
  return clamp(value, low, high);
}
