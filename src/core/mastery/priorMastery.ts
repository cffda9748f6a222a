import { logistic } from "../numeric/logistic";

/** Logits that a grade adds on the vertical scale, and the ability of a typical student in the middle of grade 6. */
const LOGITS_PER_GRADE = 0.5;
const MIDDLE_OF_GRADE_SIX = -0.25;
/** Standard deviation of ability within a grade, in logits. */
const SPREAD_WITHIN_GRADE = 1;
/** How far above a skill's difficulty the boundary of mastery lies, in logits. */
const MASTERY_BOUNDARY = 0.75;
/** Slope that turns the normal distribution function into a logistic one (Bowling et al. 2009). */
const NORMAL_TO_LOGISTIC = 1.702;

/**
 * Chance that a student of a grade has mastered a skill before any answer is known: the share of that grade whose ability
 * lies above the skill's boundary. Kept within 0.05 to 0.70: a prior alone must neither decide nor exclude mastery.
 */
export function priorMastery(grade: number, skillDifficulty: number): number {
  const typical = MIDDLE_OF_GRADE_SIX + (grade - 6) * LOGITS_PER_GRADE;
  const share = logistic((NORMAL_TO_LOGISTIC * (typical - skillDifficulty - MASTERY_BOUNDARY)) / SPREAD_WITHIN_GRADE);
  return Math.min(0.7, Math.max(0.05, share));
}
