import { guessAndSlip } from "../mastery/guessAndSlip";
import type { ItemParameters } from "../measurement/item";

/** Predicted chance of a right first try: mastery * (1 - slip) + (1 - mastery) * guess; all in [0, 1]. */
export function chanceOfRight(mastery: number, item: ItemParameters, skillDifficulty: number): number {
  const { guess, slip } = guessAndSlip(item, skillDifficulty);
  return mastery * (1 - slip) + (1 - mastery) * guess;
}
