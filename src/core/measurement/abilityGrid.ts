import type { GivenAnswer } from "./givenAnswers";

/** How far beyond the outermost difficulty an estimate is looked for, in units of 1 / a. */
const REACH = 15;
const POINTS = 600;

/**
 * Abilities to search for the highest likelihood, rising: three-parameter likelihoods can have two maxima, so the search
 * must be global. Covers the items' difficulties and 15 / a to each side.
 * @example abilityGrid([]).length // 601
 */
export function abilityGrid(given: readonly GivenAnswer[]): Float64Array {
  const slopes = given.map(({ item }) => item.a);
  const places = given.map(({ item }) => item.b);
  const reach = REACH / Math.min(...slopes);
  const low = Math.min(...places) - reach;
  const high = Math.max(...places) + reach;
  return Float64Array.from({ length: POINTS + 1 }, (_, point) => low + ((high - low) * point) / POINTS);
}
