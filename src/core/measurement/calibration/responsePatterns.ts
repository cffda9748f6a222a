import { demandThat } from "../../model/fail";

/** A row of points that one or more students share; null where the item was not given. */
export interface ResponsePattern {
  readonly scores: readonly (number | null)[];
  readonly count: number;
}

/**
 * Equal rows gathered, rows without any answer left out: the work of a calibration then grows with the different rows only. `highest`: the
 * points of each item.
 * @throws CoreError "bad-argument", where this does not hold: All rows must have one score for each item, whole and from 0 to its points.
 * @example responsePatterns([[1, 0], [1, 0], [0, 0]], [1, 1]).length // 2
 */
export function responsePatterns(
  rows: readonly (readonly (number | null)[])[],
  highest: readonly number[],
): ResponsePattern[] {
  const patterns = new Map<string, { scores: readonly (number | null)[]; count: number }>();
  for (const [place, scores] of rows.entries()) {
    demandThat(scores.length === highest.length, "All rows must have one score for each item.", { row: place });
    demandThat(
      scores.every(
        (score, j) => score === null || (Number.isInteger(score) && score >= 0 && score <= (highest[j] ?? 0)),
      ),
      "A score is a whole number from 0 to the item's points, or null.",
      { row: place },
    );
    if (scores.every((score) => score === null)) continue;
    const key = scores.map((score) => score ?? "-").join(" ");
    const known = patterns.get(key);
    if (known) known.count++;
    else patterns.set(key, { scores, count: 1 });
  }
  return [...patterns.values()];
}
