/** Grade codes as people say them: "05,06" is "5, 6", "KG" is "kindergarten"; what is no code stays as it is. */
export function gradeWords(cell: string): string {
  return cell
    .split(",")
    .map((code) => code.trim())
    .map((code) => (code === "KG" ? "kindergarten" : code.replace(/^0(?=\d$)/, "")))
    .join(", ");
}

/**
 * A run of grades as people say it; empty where there is none.
 * @example gradeSpan(4, 7) // "grades 4 to 7"
 */
export function gradeSpan(low: number | null, high: number | null): string {
  if (low === null) return "";
  const name = (grade: number) => (grade === 0 ? "kindergarten" : `grade ${grade}`);
  if (high === null || high === low) return name(low);
  return low === 0 ? `kindergarten to ${name(high)}` : `grades ${low} to ${high}`;
}
