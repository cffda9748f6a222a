import { demandThat } from "../model/fail";
import type { RecallGrade } from "./recallGrade";

export interface RecallEvidence {
  readonly right: boolean;
  readonly tryNumber: number;
  readonly hintsUsed: number;
  /** Time taken over the item's usual time; null where it is not known. */
  readonly timeShare: number | null;
}

/** From this multiple of the usual time on, a right answer was an effort; up to this share of it, it came at once. */
const SLOW_FROM = 2;
const AT_ONCE_UP_TO = 0.5;

/**
 * Grade of one scored answer for the memory: wrong at the first try 1, right with help or slowly 2, right 3, at once 4.
 * @throws CoreError "bad-argument", where this does not hold: A share of time is 0 or more.
 * @example gradeOfRecall({ right: true, tryNumber: 1, hintsUsed: 0, timeShare: 1 }) // 3
 */
export function gradeOfRecall({ right, tryNumber, hintsUsed, timeShare }: RecallEvidence): RecallGrade {
  demandThat(timeShare === null || timeShare >= 0, "A share of time is 0 or more.", { timeShare });
  if (!right || tryNumber > 1) return 1;
  if (hintsUsed > 0 || (timeShare !== null && timeShare >= SLOW_FROM)) return 2;
  return timeShare !== null && timeShare <= AT_ONCE_UP_TO ? 4 : 3;
}
