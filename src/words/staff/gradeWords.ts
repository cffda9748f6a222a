/** Grade codes as people say them: "05,06" is "5, 6", "KG" is "kindergarten"; what is no code stays as it is. */
export function gradeWords(cell: string): string {
  return cell
    .split(",")
    .map((code) => code.trim())
    .map((code) => (code === "KG" ? "kindergarten" : code.replace(/^0(?=\d$)/, "")))
    .join(", ");
}
