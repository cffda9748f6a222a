import { type ItemParameters, probability } from "../measurement/probability";

/**
 * How far above and below a skill's difficulty, in logits, a student stands who has mastered it, or has not. A larger
 * distance makes every answer count for more.
 */
export const MASTERY_DISTANCE_LOGITS = 1.5;

/** Bounds that keep one lucky or unlucky answer from deciding. */
const LEAST_ERROR = 0.05;
const MOST_ERROR = 0.45;

/**
 * Chance of a right answer without mastery (guess) and of a wrong one with it (slip), from the item's parameters at the
 * ability of one who has not and one who has mastered the skill. Both kept within 0.05 to 0.45, so that guess + slip < 1
 * (the condition for a right answer to raise the chance of mastery; van de Sande 2013).
 */
export function guessAndSlip(item: ItemParameters, skillDifficulty: number): { guess: number; slip: number } {
  const bounded = (value: number) => Math.min(MOST_ERROR, Math.max(LEAST_ERROR, value));
  return {
    guess: bounded(probability(skillDifficulty - MASTERY_DISTANCE_LOGITS, item)),
    slip: bounded(1 - probability(skillDifficulty + MASTERY_DISTANCE_LOGITS, item)),
  };
}
