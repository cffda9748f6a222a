import type { DecimalMark } from "../model/decimalMark";
import { type Rational, rational } from "../numeric/rational";

/** A whole number or decimal as it was written. */
export interface DigitsReading {
  readonly value: Rational;
  readonly form: "whole" | "decimal";
  /** What it is where its one comma or point is taken the other way; null where it can't be. */
  readonly other: Rational | null;
}

/** Thousands set apart by blanks or apostrophes. */
const SET_APART = /[ '’]/;
const MARK = /[.,]/;

/** Groups of thousands: one to three digits, then threes; no number begins with a group of noughts. */
const areGroups = ([first = "", ...rest]: readonly string[]): boolean =>
  /^(?!0)\d{1,3}$/.test(first) && rest.length > 0 && rest.every((group) => group.length === 3);

/**
 * Reads digits with commas, points and blanks among them. Of two kinds of marks the last one is the decimal mark; one that comes more
 * than once sets thousands apart. A single one that is the decimal mark at the school is read so; the other sets thousands apart where
 * it can, and is the decimal mark otherwise. Where a single one could be either ("1,500", "1.500"), the other reading comes along.
 * @param text Digits and marks only, such as "1,234.5".
 * @returns Null for what is no number, such as "1.2.3".
 * @example readDigits("0,125")?.value.toFraction() // "1/8"
 */
export function readDigits(text: string, decimalMark: DecimalMark = "point"): DigitsReading | null {
  if (!/\d/.test(text)) return null;
  const blanks = text.split(SET_APART);
  // Blanks and commas at once: the blanks set apart, whatever follows is the decimal mark.
  if (blanks.length > 1) {
    const [last = "", decimals, ...more] = (blanks.at(-1) ?? "").split(MARK);
    if (more.length > 0 || !areGroups([...blanks.slice(0, -1), last])) return null;
    return decimal([...blanks.slice(0, -1), last].join(""), decimals);
  }
  const marks: readonly string[] = text.match(/[.,]/g) ?? [];
  const parts = text.split(MARK);
  if (marks.length === 0) return decimal(text, undefined);
  if (marks.length === 1) return singleMark(parts, (marks[0] === ",") === (decimalMark === "comma"));
  const kinds = new Set(marks);
  if (kinds.size === 1) return areGroups(parts) ? decimal(parts.join(""), undefined) : null;
  const isLastOnly = marks.indexOf(marks.at(-1) ?? "") === marks.length - 1;
  const groups = parts.slice(0, -1);
  return isLastOnly && areGroups(groups) ? decimal(groups.join(""), parts.at(-1)) : null;
}

function singleMark([left = "", right = ""]: readonly string[], isDecimal: boolean): DigitsReading | null {
  if (right === "") return null;
  const asDecimal = decimal(left, right);
  if (!areGroups([left, right])) return asDecimal;
  const asWhole = decimal(`${left}${right}`, undefined);
  return isDecimal ? { ...asDecimal, other: asWhole.value } : { ...asWhole, other: asDecimal.value };
}

const decimal = (whole: string, decimals: string | undefined): DigitsReading => ({
  value: rational(`${whole === "" ? "0" : whole}${decimals === undefined ? "" : `.${decimals}`}`),
  form: decimals === undefined ? "whole" : "decimal",
  other: null,
});
