/**
 * Grade codes of the standard (CEDS) for kindergarten and the grades 1 to 12; kindergarten is grade 0.
 * @example gradeCode(6) // "06"
 */
export function gradeCode(grade: number | null): string {
  if (grade === null) return "";
  return grade === 0 ? "KG" : String(grade).padStart(2, "0");
}

/**
 * The grade of the first code in a cell; null for codes that are no grade from kindergarten to 12.
 * @example gradeOfCode("KG") // 0
 */
export function gradeOfCode(cell: string): number | null {
  const code = cell.split(",")[0]?.trim() ?? "";
  if (code === "KG") return 0;
  return /^(0[1-9]|1[0-2])$/.test(code) ? Number(code) : null;
}
