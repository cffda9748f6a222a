import { demandThat } from "../model/fail";
import { GRADE_SCALE } from "./gradeScale";

/** The span of grades at whose level an ability lies, one standard error to each side. */
export interface GradeBand {
  /** Grades, kindergarten 0 to 12; both ends belong to the band. */
  readonly from: number;
  readonly to: number;
}

const LOWEST_GRADE = 0;
const HIGHEST_GRADE = 12;

/**
 * The band of grades an ability (logits) spans with its standard error: grade g covers the half logit that ends at
 * 0.5 (g - 6). Used to choose items and norms, never shown bare. Kept within kindergarten to 12.
 * @throws CoreError "bad-argument", where this does not hold: A band needs a finite theta and se >= 0.
 * @example gradeBand({ theta: 0, se: 0.3 }) // { from: 6, to: 7 }
 */
export function gradeBand({ theta, se }: { readonly theta: number; readonly se: number }): GradeBand {
  demandThat(Number.isFinite(theta) && se >= 0, "A band needs a finite theta and se >= 0.", { theta, se });
  return { from: gradeAt(theta - se), to: gradeAt(theta + se) };
}

function gradeAt(theta: number): number {
  const grade = Math.ceil(GRADE_SCALE.zeroGrade + theta / GRADE_SCALE.logitsPerGrade);
  return Math.min(HIGHEST_GRADE, Math.max(LOWEST_GRADE, grade));
}
