import type { GuessAndSlip } from "../mastery/guessAndSlip";

/** Predicted chance of a right first try: mastery * (1 - slip) + (1 - mastery) * guess; all in [0, 1]. */
export function chanceOfRight(mastery: number, { guess, slip }: GuessAndSlip): number {
  return mastery * (1 - slip) + (1 - mastery) * guess;
}
