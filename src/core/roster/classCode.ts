/** Signs that a child does not mix up when copying them from the board. */
export const CLASS_CODE_SIGNS = "ACDEFHJKLMNPRTUWXY3479";
/**
 * Ten signs of 22 are 2.7 * 10^13 codes. Who tries 170 a second, as fast as one process answers, finds one of 40 classes in
 * 120 years on average: that is what keeps the names behind a code private, and no lock that somebody else could shut.
 */
export const CLASS_CODE_LENGTH = 10;
const HALF = CLASS_CODE_LENGTH / 2;

/**
 * A code as it is shown and printed: "KTR4W-9HNPA".
 * @example classCodeWords("HXKCLPRN7M") // "HXKCL-PRN7M"
 */
export const classCodeWords = (code: string): string =>
  code.length === CLASS_CODE_LENGTH ? `${code.slice(0, HALF)}-${code.slice(HALF)}` : code;

/**
 * What somebody typed, as codes are kept: without spaces and dashes, in capital letters.
 * @example readClassCode("hxkcl prn7m") // "HXKCLPRN7M"
 */
export const readClassCode = (typed: string): string => typed.replace(/[\s\p{Pd}]/gu, "").toUpperCase();
