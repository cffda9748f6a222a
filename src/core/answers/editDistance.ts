import levenshtein from "damerau-levenshtein";

/**
 * Letters to add, drop, change or swap with their neighbour to turn one word into the other (Damerau 1964).
 * @example editDistance("ratoi", "ratio") // 1
 */
export function editDistance(one: string, other: string): number {
  return levenshtein(one, other).steps;
}
