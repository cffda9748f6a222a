/** Where a finished piece of work lies against the student's own grade. */
export type PieceOfGrade = "on" | "below" | "unknown";

/**
 * A piece is on grade when at least half of its scored items are at the student's own grade or above it; of a student without a grade, or
 * without a scored item, nothing is said.
 * @example pieceOfGrade([6, 5], 6) // "on"
 */
export function pieceOfGrade(gradesOfItems: readonly number[], grade: number | null): PieceOfGrade {
  if (grade === null || gradesOfItems.length === 0) return "unknown";
  return gradesOfItems.filter((one) => one >= grade).length * 2 >= gradesOfItems.length ? "on" : "below";
}
