import { LEVEL_CUTS } from "../model/levels";

export interface OutcomeOfStudent {
  readonly chanceBefore: number;
  readonly chanceNow: number;
  /** Right first tries and items of the check; null when the check is not begun. */
  readonly check: { readonly right: number; readonly answered: number; readonly of: number } | null;
}

/** What to do with a student after a reteach. */
export type OutcomeVerdict = "check-open" | "learned" | "closer" | "round-again";

/** Share of the check that must be right for the reteach to count as learned. */
const CHECK_PASS = 0.75;
/** A gain in the chance of mastery smaller than this is no news. */
const LEAST_GAIN = 0.15;

/**
 * Whether a reteach worked for one student. Open until the check is whole, and for a check without items; learned with 3 of 4 or more right and at least
 * a chance of mastery at Secure; closer when the chance rose by 0.15 or more; otherwise the student goes round again.
 * @example reteachOutcome({ chanceBefore: 0.3, chanceNow: 0.9, check: { right: 4, answered: 4, of: 4 } }) // "learned"
 */
export function reteachOutcome(student: OutcomeOfStudent): OutcomeVerdict {
  const { check, chanceBefore, chanceNow } = student;
  if (!check || check.of === 0 || check.answered < check.of) return "check-open";
  const passed = check.right / check.of >= CHECK_PASS;
  if (passed && chanceNow >= LEVEL_CUTS.secure) return "learned";
  return chanceNow - chanceBefore >= LEAST_GAIN ? "closer" : "round-again";
}
