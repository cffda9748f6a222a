/**
 * What the parts of an item earned together, each part as much as any other, in whole steps of one common size.
 * @example earnedOfParts([{ earned: 1, possible: 2 }, { earned: 1, possible: 3 }]) // { earned: 5, possible: 12 }
 */
export function earnedOfParts(parts: readonly { readonly earned: number; readonly possible: number }[]): {
  readonly earned: number;
  readonly possible: number;
} {
  const possible = parts.reduce((product, part) => product * part.possible, 1);
  // Over one common denominator, so that the share stays exact.
  const earned = parts.reduce((sum, part) => sum + (part.earned * possible) / part.possible, 0);
  return { earned, possible: possible * parts.length };
}
