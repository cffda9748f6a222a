import { demandThat } from "../../model/fail";
import type { Score } from "../../model/score";

/** A row of scores that one or more students share. */
export interface ResponsePattern {
  readonly scores: readonly Score[];
  readonly count: number;
}

/**
 * Equal rows gathered, rows without any answer left out: the work of a calibration then grows with the different rows only.
 * Throws "bad-argument" for rows of unequal length or scores other than 1, 0, null.
 * @example responsePatterns([[1, 0], [1, 0], [0, 0]]).length // 2
 */
export function responsePatterns(rows: readonly (readonly Score[])[]): ResponsePattern[] {
  const width = rows[0]?.length ?? 0;
  const patterns = new Map<string, { scores: readonly Score[]; count: number }>();
  for (const [place, scores] of rows.entries()) {
    demandThat(scores.length === width, "All rows must have one score for each item.", { row: place });
    demandThat(
      scores.every((score) => score === 0 || score === 1 || score === null),
      "A score is 1, 0 or null.",
      { row: place },
    );
    if (scores.every((score) => score === null)) continue;
    const key = scores.map((score) => score ?? "-").join("");
    const known = patterns.get(key);
    if (known) known.count++;
    else patterns.set(key, { scores, count: 1 });
  }
  return [...patterns.values()];
}
