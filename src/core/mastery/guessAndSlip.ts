import type { ItemParameters } from "../measurement/item";
import { probability } from "../measurement/probability";

/**
 * Where students who have mastered a skill, and who have not, typically stand against its difficulty, in logits. Halfway
 * between them lies `MASTERY_BOUNDARY`. Further apart, every answer counts for more and one in ten is declared falsely.
 */
const WITH_MASTERY_LOGITS = 1.7;
const WITHOUT_MASTERY_LOGITS = -0.2;

/** Bounds that keep one lucky or unlucky answer from deciding; the largest guess and slip still add up to less than 1. */
const LEAST_ERROR = 0.05;
const MOST_GUESS = 0.6;
const MOST_SLIP = 0.35;

export interface GuessAndSlip {
  readonly guess: number;
  readonly slip: number;
}

/**
 * Chance of a right answer without mastery (guess) and of a wrong one with it (slip), from the item's parameters at the
 * ability of one who has not and one who has mastered the skill. Kept within 0.05 to 0.60 and 0.05 to 0.35, so that
 * guess + slip < 1 (the condition for a right answer to raise the chance of mastery; van de Sande 2013).
 * @example guessAndSlip({ a: 1, b: 0, c: 0 }, 0).guess.toFixed(2) // "0.45"
 */
export function guessAndSlip(item: ItemParameters, skillDifficulty: number): GuessAndSlip {
  const bounded = (value: number, most: number) => Math.min(most, Math.max(LEAST_ERROR, value));
  return {
    guess: bounded(probability(skillDifficulty + WITHOUT_MASTERY_LOGITS, item), MOST_GUESS),
    slip: bounded(1 - probability(skillDifficulty + WITH_MASTERY_LOGITS, item), MOST_SLIP),
  };
}
