import { inverseOfPositive } from "../../numeric/inverseOfPositive";
import type { CurveFamily, FreeItem } from "./curveFamily";
import type { AbilityNodes } from "./expectation";
import { type ItemPrior, priorPull } from "./itemPrior";

/** Largest step of one parameter in one iteration: a longer one overshoots where the curve is flat. */
const LONGEST_STEP = 0.7;
const INNER_STEPS = 3;

/** Expected students with each outcome of one item at each node: [outcome][node]. */
type Counts = readonly Float64Array[];

/** The M-step of one item by Fisher scoring on its expected counts; `fixedSlope` leaves log a as it is. */
export function maximiseItem(
  free: FreeItem,
  family: CurveFamily,
  counts: Counts,
  nodes: AbilityNodes,
  prior: ItemPrior,
  fixedSlope: boolean,
): number[] {
  let item = [...free];
  for (let step = 0; step < INNER_STEPS; step++) {
    const { gradient, information } = itemScore(item, family, counts, nodes, prior);
    const open = item.map((_, place) => place).filter((place) => !(fixedSlope && place === 0));
    const inverse = inverseOfPositive(open.map((row) => open.map((column) => information[row]?.[column] ?? 0)));
    if (!inverse) return item;
    const moved = [...item];
    open.forEach((place, row) => {
      const shift = open.reduce(
        (sum, other, column) => sum + (inverse[row]?.[column] ?? 0) * (gradient[other] ?? 0),
        0,
      );
      moved[place] = bounded((item[place] ?? 0) + clamp(shift, -LONGEST_STEP, LONGEST_STEP), family, place);
    });
    item = moved;
  }
  return item;
}

/** One Newton step of the slope that all the items share, on the summed gradient. */
export function maximiseCommonSlope(
  items: readonly { readonly free: FreeItem; readonly family: CurveFamily; readonly counts: Counts }[],
  nodes: AbilityNodes,
): number {
  let [gradient, curvature] = [0, 0];
  for (const { free, family, counts } of items) {
    const own = itemScore(free, family, counts, nodes, {});
    gradient += own.gradient[0] ?? 0;
    curvature += own.information[0]?.[0] ?? 0;
  }
  const [first] = items;
  const logA = first?.free[0] ?? 0;
  return first && curvature > 0
    ? bounded(logA + clamp(gradient / curvature, -LONGEST_STEP, LONGEST_STEP), first.family, 0)
    : logA;
}

/** Gradient and expected information of one item's complete-data log-likelihood with its prior, by the free parameters. */
function itemScore(
  item: FreeItem,
  family: CurveFamily,
  counts: Counts,
  nodes: AbilityNodes,
  prior: ItemPrior,
): { gradient: number[]; information: number[][] } {
  const { gradient, information } = startingFrom(item, prior);
  for (let q = 0; q < nodes.thetas.length; q++) {
    const theta = nodes.thetas[q] ?? 0;
    const chances = family.chances(theta, item);
    const slopes = family.slopes(theta, item);
    const given = counts.reduce((sum, row) => sum + (row[q] ?? 0), 0);
    slopes.forEach((line, outcome) => {
      const seen = counts[outcome]?.[q] ?? 0;
      const expected = given * (chances[outcome] ?? 0);
      line.forEach((slope, row) => {
        gradient[row] = (gradient[row] ?? 0) + seen * slope;
        const sums = information[row] as number[];
        line.forEach((other, column) => {
          sums[column] = (sums[column] ?? 0) + expected * slope * other;
        });
      });
    });
  }
  return { gradient, information };
}

/**
 * Observed information of one item's complete-data log-likelihood with its prior: it differs from the expected one, on which
 * the steps run, by what the answers bend.
 */
export function observedInformation(
  item: FreeItem,
  family: CurveFamily,
  counts: Counts,
  nodes: AbilityNodes,
  prior: ItemPrior,
): number[][] {
  const { information } = startingFrom(item, prior);
  for (let q = 0; q < nodes.thetas.length; q++) {
    family.bends(nodes.thetas[q] ?? 0, item).forEach((bends, outcome) => {
      const seen = counts[outcome]?.[q] ?? 0;
      bends.forEach((line, row) => {
        const sums = information[row] as number[];
        line.forEach((bend, column) => {
          sums[column] = (sums[column] ?? 0) - seen * bend;
        });
      });
    });
  }
  return information;
}

function startingFrom(item: FreeItem, prior: ItemPrior): { gradient: number[]; information: number[][] } {
  const pull = priorPull(item, prior);
  return {
    gradient: [...pull.gradient],
    information: item.map((_, row) => item.map((_, column) => (row === column ? (pull.curvature[row] ?? 0) : 0))),
  };
}

function clamp(value: number, low: number, high: number): number {
  return Math.min(high, Math.max(low, value));
}

function bounded(value: number, { bounds }: CurveFamily, place: number): number {
  const { low, high } = bounds[place] ?? { low: Number.NEGATIVE_INFINITY, high: Number.POSITIVE_INFINITY };
  return clamp(value, low, high);
}
