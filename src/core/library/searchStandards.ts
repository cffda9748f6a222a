import { bareName } from "../roster/bareName";

/** A standard as it is searched, and a heading over standards. */
export interface SearchedStandard {
  readonly id: string;
  readonly parentId: string | null;
  readonly code: string;
  readonly statement: string;
  readonly gradeLow: number | null;
  readonly gradeHigh: number | null;
}

export interface StandardsQuery {
  /** Words and parts of codes, all of which must be there; or a list of codes, set apart by commas, semicolons or lines. */
  readonly text: string;
  readonly grade: number | null;
  /** A standard under which to look; null for the whole framework. */
  readonly underId: string | null;
}

export interface FoundStandard<Standard> {
  readonly standard: Standard;
  /** Levels above it. */
  readonly depth: number;
  /** Whether it answers the search itself, or only stands over one that does. */
  readonly isMatch: boolean;
}

export interface StandardsFound<Standard> {
  readonly rows: readonly FoundStandard<Standard>[];
  readonly matches: number;
  /** Codes of a list that no standard here has, as they were written. */
  readonly unknownCodes: readonly string[];
}

/**
 * Standards that answer a search, each under what it stands under; `standards` in the order of their tree. A list of codes is told from words by
 * holding more than one entry, one of which at least is a code.
 * @example searchStandards([{ id: "a", parentId: null, code: "R.1", statement: "Compare.", gradeLow: 6, gradeHigh: 6 }], { text: "compare", grade: null, underId: null }).matches // 1
 */
export function searchStandards<Standard extends SearchedStandard>(
  standards: readonly Standard[],
  { text, grade, underId }: StandardsQuery,
): StandardsFound<Standard> {
  const byId = new Map(standards.map((standard) => [standard.id, standard]));
  const above = (standard: Standard): Standard[] => {
    const chain: Standard[] = [];
    for (let at = byId.get(standard.parentId ?? ""); at && !chain.includes(at); at = byId.get(at.parentId ?? ""))
      chain.push(at);
    return chain;
  };
  const { isAnswer, unknownCodes } = answerTo(standards, text);
  const isNarrowed = text.trim() !== "" || grade !== null;
  const matches = standards.filter(
    (standard) =>
      isAnswer(standard) &&
      (grade === null || isOfGrade(standard, grade)) &&
      (underId === null || standard.id === underId || above(standard).some(({ id }) => id === underId)),
  );
  const own = new Set(matches.map(({ id }) => id));
  const shown = new Set(matches.flatMap((standard) => [standard.id, ...above(standard).map(({ id }) => id)]));
  return {
    rows: standards
      .filter(({ id }) => shown.has(id))
      .map((standard) => ({ standard, depth: above(standard).length, isMatch: !isNarrowed || own.has(standard.id) })),
    matches: matches.length,
    unknownCodes,
  };
}

/**
 * A code as it is compared: letters and digits alone.
 * @example bareCode("WV 6.R-1") // "wv6r1"
 */
export const bareCode = (code: string): string => bareName(code).replace(/ /g, "");

function answerTo(standards: readonly SearchedStandard[], text: string) {
  const entries = text
    .split(/[,;\n\t]+/)
    .map((entry) => entry.trim())
    .filter((entry) => entry !== "");
  const known = new Set(standards.map(({ code }) => bareCode(code)).filter((code) => code !== ""));
  if (entries.length > 1 && entries.some((entry) => known.has(bareCode(entry)))) {
    const wanted = new Set(entries.map(bareCode));
    return {
      isAnswer: ({ code }: SearchedStandard) => code !== "" && wanted.has(bareCode(code)),
      unknownCodes: [...new Set(entries)].filter((entry) => !known.has(bareCode(entry))),
    };
  }
  const words = bareName(text)
    .split(" ")
    .filter((word) => word !== "");
  const code = bareCode(text);
  return {
    isAnswer: (standard: SearchedStandard) => {
      const said = bareName(`${standard.code} ${standard.statement}`);
      return words.every((word) => said.includes(word)) || (code !== "" && bareCode(standard.code) === code);
    },
    unknownCodes: [],
  };
}

/** A heading without grades is of every grade that stands under it. */
const isOfGrade = ({ gradeLow, gradeHigh }: SearchedStandard, grade: number): boolean =>
  gradeLow !== null && gradeLow <= grade && grade <= (gradeHigh ?? gradeLow);
