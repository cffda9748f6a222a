import { type Rational, rational } from "../numeric/rational";
import { combinedScore } from "./combinedScore";

/** One student's standing with one piece of work, as an average counts it. */
export interface PieceInAverage {
  /** The mark that counts, exact; null where there is none. */
  readonly mark: Rational | null;
  /** Excused, or not there when it was written. */
  readonly leftOut: boolean;
  /** The teacher counts as nought what was not handed in. */
  readonly nought: boolean;
  /** Points of the whole piece, above 0. */
  readonly points: number;
}

/** Whether each piece counts the same, or each point. */
export const WEIGHINGS = ["pieces", "points"] as const;
export type Weighing = (typeof WEIGHINGS)[number];

/**
 * The average of some pieces of work, exact: whoever is excused or was absent from one is averaged over the others, and so is what was not
 * handed in until the teacher says nought; lateness takes off nothing. Null where nothing counts.
 * @example averageOfMarks([{ mark: rational(1, 2), leftOut: false, nought: false, points: 10 }, { mark: null, leftOut: false, nought: true, points: 10 }], "pieces")?.toFraction() // "1/4"
 */
export function averageOfMarks(pieces: readonly PieceInAverage[], weighing: Weighing): Rational | null {
  return combinedScore(
    pieces.flatMap(({ mark, leftOut, nought, points }) => {
      const score = leftOut ? null : (mark ?? (nought ? rational(0) : null));
      return score === null ? [] : [{ score, weight: weighing === "points" ? points : 1 }];
    }),
  );
}
