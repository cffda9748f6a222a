import { demandThat } from "../model/fail";
import { type NoEstimate, noEstimate } from "../model/noEstimate";
import type { Score } from "../model/score";
import { distribution } from "../numeric/distribution";
import { abilityNodes } from "./calibration/expectation";
import type { Population } from "./calibration/fitItems";
import type { ItemParameters } from "./item";
import { probability } from "./probability";
import { scoreDistribution } from "./scoreDistribution";

/** How well an item's curve describes who had it right. */
export interface ItemFit {
  readonly chiSquare: number;
  readonly degreesOfFreedom: number;
  /** Chance of so large a distance, or a larger one, if the curve were right: small = it is not. */
  readonly p: number;
  /** Students with these numbers right of all items, those of them who had this item right, and the share the curve expects. */
  readonly groups: readonly FitGroup[];
}

export interface FitGroup {
  readonly lowest: number;
  readonly highest: number;
  readonly students: number;
  readonly right: number;
  readonly expected: number;
}

/** Students expected to have it right, and wrong, in a group that stands for itself; smaller ones are put together. */
const LEAST_EXPECTED = 1;

/**
 * Fit of each item by the summed-score chi-square S-X² (Orlando & Thissen 2000): among students with the same number right, the share that had the item
 * right against what all curves together expect, integrated over the population. `parameters`: how many of an item's were estimated from
 * these answers (0 for known ones). Only students who were given every item count; no estimate without any, or with too few for a degree of freedom.
 * @throws CoreError "bad-argument", where this does not hold: Every student needs a score for each of two items or more.
 * @example itemFit([], [{ a: 1, b: 0, c: 0 }, { a: 1, b: 0, c: 0 }], { mean: 0, sd: 1 }, 0)[0] // { noEstimate: "no-complete-answers" }
 */
export function itemFit(
  scores: readonly (readonly Score[])[],
  items: readonly ItemParameters[],
  population: Population,
  parameters: number,
): (ItemFit | NoEstimate<"no-complete-answers" | "too-few-answers">)[] {
  demandThat(
    items.length >= 2 && scores.every((row) => row.length === items.length) && parameters >= 0,
    "Every student needs a score for each of two items or more.",
    { items: items.length, parameters },
  );
  const complete = scores.filter((row) => row.every((score) => score !== null));
  if (complete.length === 0) return items.map(() => noEstimate("no-complete-answers"));
  const sums = complete.map((row) => row.reduce<number>((sum, score) => sum + (score ?? 0), 0));
  const expected = expectedShares(items, population);
  return items.map((_, j) => {
    const groups = Array.from({ length: items.length - 1 }, (_, n): FitGroup => {
      const sum = n + 1;
      const members = complete.filter((_, student) => sums[student] === sum);
      const right = members.filter((row) => row[j] === 1).length;
      return { lowest: sum, highest: sum, students: members.length, right, expected: expected[j]?.[sum] ?? 0 };
    });
    return fitOf(putTogether(groups), parameters);
  });
}

function fitOf(groups: readonly FitGroup[], parameters: number): ItemFit | NoEstimate<"too-few-answers"> {
  const degreesOfFreedom = groups.length - parameters;
  if (degreesOfFreedom < 1) return noEstimate("too-few-answers");
  const chiSquare = groups.reduce(
    (sum, { students, right, expected }) =>
      sum + (students * (right / students - expected) ** 2) / (expected * (1 - expected)),
    0,
  );
  return { chiSquare, degreesOfFreedom, p: distribution.chiSquareAbove(chiSquare, degreesOfFreedom), groups };
}

/** Chance to have item j right for somebody with a given number right in all: [item][number right]. */
function expectedShares(items: readonly ItemParameters[], { mean, sd }: Population): number[][] {
  const { thetas, weights } = abilityNodes(mean, sd);
  const whole = new Array<number>(items.length + 1).fill(0);
  const withItem = items.map(() => new Array<number>(items.length + 1).fill(0));
  thetas.forEach((theta, q) => {
    const weight = weights[q] ?? 0;
    const chances = items.map((item) => probability(theta, item));
    scoreDistribution(chances).forEach((share, sum) => {
      whole[sum] = (whole[sum] ?? 0) + weight * share;
    });
    items.forEach((_, j) => {
      const row = withItem[j] as number[];
      // The others together have one less when this one is right.
      scoreDistribution(chances.filter((_, other) => other !== j)).forEach((share, sum) => {
        row[sum + 1] = (row[sum + 1] ?? 0) + weight * share * (chances[j] ?? 0);
      });
    });
  });
  return withItem.map((row) => row.map((share, sum) => share / (whole[sum] ?? 1)));
}

/** Neighbouring groups put together until each expects students who have it right, and students who do not. */
function putTogether(groups: readonly FitGroup[]): FitGroup[] {
  const enough = ({ students, expected }: FitGroup) =>
    Math.min(students * expected, students * (1 - expected)) >= LEAST_EXPECTED;
  const kept: FitGroup[] = [];
  let open: FitGroup | null = null;
  for (const group of groups) {
    open = open ? joined(open, group) : group;
    if (!enough(open)) continue;
    kept.push(open);
    open = null;
  }
  // What is left at the end is too small for itself.
  const last = kept.pop();
  if (open && open.students > 0) return last ? [...kept, joined(last, open)] : enough(open) ? [open] : [];
  return last ? [...kept, last] : [];
}

function joined(one: FitGroup, other: FitGroup): FitGroup {
  const students = one.students + other.students;
  const expected = students === 0 ? 0 : (one.students * one.expected + other.students * other.expected) / students;
  return { lowest: one.lowest, highest: other.highest, students, right: one.right + other.right, expected };
}
