import { demandThat } from "../model/fail";
import { GRADE_SCALE } from "./gradeScale";

/**
 * What is believed of a student's ability before any answer: the middle of the grade, in logits, and the spread within it.
 * @throws CoreError "bad-argument", where this does not hold: A prior needs a grade.
 * @example gradePrior(6) // { mean: -0.25, sd: 1 }
 */
export function gradePrior(grade: number): { readonly mean: number; readonly sd: number } {
  demandThat(Number.isFinite(grade), "A prior needs a grade.", { grade });
  return {
    mean: (grade - GRADE_SCALE.zeroGrade - 0.5) * GRADE_SCALE.logitsPerGrade,
    sd: GRADE_SCALE.spreadLogits,
  };
}
