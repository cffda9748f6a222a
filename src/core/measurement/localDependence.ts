import { demandThat } from "../model/fail";
import type { Score } from "../model/score";
import { correlation } from "../numeric/correlation";
import { mean } from "../numeric/mean";
import type { ItemParameters } from "./item";
import { probability } from "./probability";

/** Two items whose answers hang together beyond ability, as those of one passage do. */
export interface DependentPair {
  readonly first: number;
  readonly second: number;
  /** Correlation of their residuals, and by how much it lies above the mean of all pairs. */
  readonly q3: number;
  readonly above: number;
}

/** Fewer students that answered both say nothing, and a pair this far above the mean of all is marked (Christensen, Makransky & Horton 2017). */
const LEAST_STUDENTS = 30;
const MARKED_ABOVE = 0.2;

/**
 * Pairs of items that are locally dependent by Q3 (Yen 1984): the correlation of what answers are off their expectation at each
 * student's ability. One row a student, one column an item, null = not given; abilities in logits. Pairs that lie 0.2 or more above the mean of all pairs, the
 * largest first.
 * @throws CoreError "bad-argument", where this does not hold: Every student needs an ability and a score for each item.
 * @example localDependence([[1, 0]], [0], [{ a: 1, b: 0, c: 0 }, { a: 1, b: 0, c: 0 }]) // []
 */
export function localDependence(
  scores: readonly (readonly Score[])[],
  abilities: readonly number[],
  items: readonly ItemParameters[],
): DependentPair[] {
  demandThat(
    scores.length === abilities.length && scores.every((row) => row.length === items.length),
    "Every student needs an ability and a score for each item.",
    { students: scores.length, abilities: abilities.length, items: items.length },
  );
  const residuals = scores.map((row, student) =>
    row.map((score, j) => {
      const item = items[j];
      return score === null || !item ? null : score - probability(abilities[student] ?? 0, item);
    }),
  );
  const pairs: { first: number; second: number; q3: number }[] = [];
  for (let first = 0; first < items.length; first++)
    for (let second = first + 1; second < items.length; second++) {
      const both = residuals.flatMap((row) => {
        const [one, other] = [row[first], row[second]];
        return one === null || one === undefined || other === null || other === undefined
          ? []
          : [[one, other] as const];
      });
      if (both.length < LEAST_STUDENTS) continue;
      const q3 = correlation(
        both.map(([one]) => one),
        both.map(([, other]) => other),
      );
      if (q3 !== null) pairs.push({ first, second, q3 });
    }
  if (pairs.length === 0) return [];
  const usual = mean(pairs.map(({ q3 }) => q3));
  return pairs
    .map((pair) => ({ ...pair, above: pair.q3 - usual }))
    .filter(({ above }) => above >= MARKED_ABOVE)
    .sort((x, y) => y.above - x.above);
}
