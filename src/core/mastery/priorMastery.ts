import { chanceOfMastery } from "./chanceOfMastery";
import { priorBelief } from "./priorBelief";

/**
 * Chance that a student of a grade has mastered a skill before any answer is known, within 0.05 to 0.70; null for a grade that
 * nobody knows.
 * @example priorMastery(null, 0).toFixed(2) // "0.14"
 */
export const priorMastery = (grade: number | null, skillDifficulty: number): number =>
  chanceOfMastery(priorBelief(grade, skillDifficulty));
