/** Subjects that the library knows, with what rosters call them, in small letters. */
const NAMES: Readonly<Record<string, readonly string[]>> = {
  mathematics: ["mathematics", "math", "maths", "numeracy", "arithmetic", "algebra", "geometry"],
  language: ["language", "english", "literacy", "reading", "writing", "grammar", "ela"],
};
/** Subject areas of the School Courses for the Exchange of Data (NCES, SCED): the first two digits of a course's code. */
const SCED_AREAS: Readonly<Record<string, string>> = {
  "01": "language",
  "02": "mathematics",
  "51": "language",
  "52": "mathematics",
};

/**
 * The library's subject that a class teaches, by the SCED codes of its roster file or else by its name, of which one word must
 * be a name of the subject; null when neither says so. "Aftermath studies" is no mathematics.
 * @example subjectCode("Mathematics") // "mathematics"
 */
export function subjectCode(names: string, scedCodes = ""): string | null {
  for (const code of scedCodes.split(",")) {
    const area = SCED_AREAS[code.trim().slice(0, 2)];
    if (area !== undefined && /^\d{5,}$/.test(code.trim())) return area;
  }
  const words = names.toLocaleLowerCase("en").match(/[\p{L}\p{M}]+/gu) ?? [];
  return Object.entries(NAMES).find(([, known]) => words.some((word) => known.includes(word)))?.[0] ?? null;
}
