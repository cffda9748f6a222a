import type { GuessAndSlip } from "../mastery/guessAndSlip";

/**
 * Predicted chance of a right first try: mastery * (1 - slip) + (1 - mastery) * guess; all in [0, 1].
 * @example chanceOfRight(0.5, { guess: 0.2, slip: 0.1 }).toFixed(2) // "0.55"
 */
export function chanceOfRight(mastery: number, { guess, slip }: GuessAndSlip): number {
  return mastery * (1 - slip) + (1 - mastery) * guess;
}
