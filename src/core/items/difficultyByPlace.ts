import { GRADE_SCALE } from "../measurement/gradeScale";

/** Where a grade's first skill lies, in grades before the middle of what its students are believed to have. */
const BELOW_MIDDLE = 0.2;
/** How far a skill lies at least beyond what it builds on, in logits. */
const LEAST_STEP = 0.05;

/**
 * The difficulty of a skill, in logits, from its place (0 to under 1) among the skills of its grade in teaching order; always beyond
 * those that it builds on, given by their difficulties. Until answers say more, this is where the skill stands on the vertical scale.
 * @example difficultyByPlace(6, 0, []) // -0.35
 */
export function difficultyByPlace(grade: number, place: number, under: readonly number[]): number {
  const { zeroGrade, logitsPerGrade } = GRADE_SCALE;
  const own = (grade - zeroGrade - 0.5 - BELOW_MIDDLE + place) * logitsPerGrade;
  const least = Math.max(...under.map((difficulty) => difficulty + LEAST_STEP), own);
  return Math.round(least * 100) / 100;
}
