/** Grades above and below a student's own that a diagnostic may reach. */
export const GRADES_ABOVE = 1;
export const GRADES_BELOW = 4;

/**
 * The grades of a diagnostic for a student of a grade: one above the own and four below, unless stated. Null where nobody knows the grade.
 * @example gradesAround(6) // { lowest: 2, highest: 7 }
 */
export function gradesAround(
  grade: number | null,
  { above = GRADES_ABOVE, below = GRADES_BELOW }: { readonly above?: number; readonly below?: number } = {},
): { readonly lowest: number; readonly highest: number } | null {
  return grade === null ? null : { lowest: grade - below, highest: grade + above };
}
