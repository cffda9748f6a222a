/** Signs of mathematics as they are said, longest first where one begins another. */
const SIGNS: readonly (readonly [string, string])[] = [
  ["≤", "is less than or equal to"],
  ["≥", "is greater than or equal to"],
  ["≠", "is not equal to"],
  ["≈", "is about"],
  ["<", "is less than"],
  [">", "is greater than"],
  ["=", "equals"],
  ["+", "plus"],
  ["×", "times"],
  ["·", "times"],
  ["÷", "divided by"],
  ["°", "degrees"],
  ["%", "per cent"],
  ["²", "squared"],
  ["³", "cubed"],
];

/**
 * A text with its signs of mathematics in words, for reading aloud. A minus sign before a number alone is "negative".
 * @example spokenSigns("7 − 3 = 4") // "7 minus 3 equals 4"
 */
export function spokenSigns(text: string): string {
  let spoken = text.replace(/(\S) − /g, "$1 minus ").replace(/−\s?(?=[\d(])/g, " negative ");
  spoken = spoken.replaceAll("−", " minus ");
  // What is left open is said as a blank; no engine says it by itself.
  spoken = spoken.replace(/_{2,}|□/g, " blank ");
  for (const [sign, words] of SIGNS) spoken = spoken.replaceAll(sign, ` ${words} `);
  return spoken.replace(/\s+/g, " ").trim();
}

/** A fraction as it is said. */
export const spokenFraction = (numerator: string, denominator: string): string => `${numerator} over ${denominator}`;

/** Between the whole number and the fraction of a mixed number. */
export const AND = "and";
