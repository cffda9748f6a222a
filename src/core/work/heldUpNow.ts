import { median } from "../numeric/median";

/** First tries wrong in a row that hold somebody up now. */
export const WRONG_IN_ROW = 5;
/** Times a student's own usual time without an answer. */
const TIMES_USUAL = 3;
/** Nobody is asked about after less, however quick they usually are; of whom no time is known, after this. */
const LEAST_QUIET = 120_000;
const QUIET_UNKNOWN = 300_000;

/** A student at work, as far as their latest run tells. Times in milliseconds. */
export interface AtWork {
  /** Whether each first try was right, the latest last; what has no verdict yet is left out. */
  readonly right: readonly boolean[];
  /** Active time of each answer. */
  readonly times: readonly number[];
  /** Since the last answer, or since the run was opened. */
  readonly quiet: number;
}

/**
 * Whether a student at work is held up at this moment: so many wrong in a row, or no answer for three times their own median time. A sign for
 * whoever stands in the room, not a snag.
 * @example heldUpNow({ right: [true, false, false, false, false, false], times: [20000], quiet: 1000 }) // "wrong-in-row"
 */
export function heldUpNow({ right, times, quiet }: AtWork): "wrong-in-row" | "quiet" | null {
  if (right.length >= WRONG_IN_ROW && right.slice(-WRONG_IN_ROW).every((one) => !one)) return "wrong-in-row";
  const limit = times.length === 0 ? QUIET_UNKNOWN : Math.max(LEAST_QUIET, TIMES_USUAL * median(times));
  return quiet > limit ? "quiet" : null;
}
