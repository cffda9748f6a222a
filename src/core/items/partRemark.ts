import { type Rational, rational } from "../numeric/rational";

/** What is odd about a part as some values make it. */
export type PartRemarkCode = "options-alike" | "mistake-is-right" | "below-nought" | "ugly-number" | "slip-not-made";

export interface PartRemark {
  readonly code: PartRemarkCode;
  /** The text or number that it is about. */
  readonly at: string;
}

const MOST_DENOMINATOR = 100;
const MOST_SIZE = rational(1_000_000);

/**
 * Whether nobody would work with a number by hand: a denominator over 100, or over a million.
 * @example isUgly(rational(1, 113)) // true
 */
export const isUgly = (value: Rational): boolean =>
  (value.d > BigInt(MOST_DENOMINATOR) && !isShortDecimal(value)) || value.abs().compare(MOST_SIZE) > 0;

/** With at most four places after the point. */
const isShortDecimal = (value: Rational): boolean => 10_000n % value.d === 0n;

/** Remarks for telling mistakes that a draw left out, because they are right or say the same as another. */
export const leftOut = (told: number, drawn: number): PartRemark[] =>
  drawn < told ? [{ code: "mistake-is-right", at: "" }] : [];
