import type { AlgebraProblem } from "../answers/checkAlgebra";
import type { NumberProblem } from "../answers/checkNumber";

/** Why a response can't be read; it is not scored, and the student may mend it. */
export type UnreadableReason = NumberProblem | AlgebraProblem | "no-such-option";

/**
 * What every room says of a response: it can't be read, or it earned so much of what there was, or a person has to say. `earned` and `possible` are
 * whole numbers, in the smallest steps in which the part counts: 2 of 3 is exactly two thirds.
 */
export type Verdict =
  | {
      readonly readable: false;
      readonly reason: UnreadableReason;
      /** An example of what is wanted, such as the unit; absent where the reason says it all. */
      readonly wanted?: string;
      /** Which of several lines it is about, from 1. */
      readonly line?: number;
    }
  | {
      readonly readable: true;
      readonly earned: number;
      readonly possible: number;
      /** Known misconceptions that it shows. */
      readonly misconceptionIds: readonly string[];
      readonly byPerson?: undefined;
    }
  /** Can be read, and is scored by a person. */
  | { readonly readable: true; readonly byPerson: true };

/**
 * @example unreadable("not-a-number") // { readable: false, reason: "not-a-number" }
 */
export const unreadable = (reason: UnreadableReason, wanted?: string): Verdict => ({
  readable: false,
  reason,
  ...(wanted === undefined ? {} : { wanted }),
});

/**
 * All or nothing.
 * @example allOrNothing(true) // { readable: true, earned: 1, possible: 1, misconceptionIds: [] }
 */
export const allOrNothing = (right: boolean, misconceptionId: string | null = null): Verdict => ({
  readable: true,
  earned: right ? 1 : 0,
  possible: 1,
  misconceptionIds: right || misconceptionId === null ? [] : [misconceptionId],
});
