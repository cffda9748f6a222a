/** Grades above and below a student's own that a diagnostic may reach. */
const ABOVE = 1;
const BELOW = 4;

/**
 * The grades of a diagnostic for a student of a grade: one above the own and four below, unless stated. Null where nobody knows the grade.
 * @example gradesAround(6) // { lowest: 2, highest: 7 }
 */
export function gradesAround(
  grade: number | null,
  { above = ABOVE, below = BELOW }: { readonly above?: number; readonly below?: number } = {},
): { readonly lowest: number; readonly highest: number } | null {
  return grade === null ? null : { lowest: grade - below, highest: grade + above };
}
