import { type Rational, rational } from "../numeric/rational";

/** How a number was written. */
export type NumberForm = "whole" | "decimal" | "fraction" | "mixed";

export type NumberReading =
  | {
      readonly ok: true;
      readonly value: Rational;
      readonly unit: string;
      readonly lowestTerms: boolean;
      readonly form: NumberForm;
    }
  | { readonly ok: false; readonly reason: "empty" | "not-a-number" | "zero-below" | "too-long" };

/** Longest text that can be a number a child would type; longer is refused unread. */
const LONGEST = 60;
const NUMBER =
  /^([+-]?)(?:(\d{1,12})\s+(\d{1,12})\s*\/\s*(\d{1,12})|(\d{1,12})\s*\/\s*(\d{1,12})|(\d{1,12}(?:[ ,]\d{3})*)?(?:([.,])(\d{1,10}))?)\s*(.*)$/u;

/**
 * Reads a number as a student types it: whole ("12", "1 200", "1,200"), decimal ("0.5", ".5", "2,5"), fraction ("3/4"), or
 * mixed ("1 3/4"), with an optional sign and currency sign before it and a unit after it. A single comma followed by
 * exactly three digits groups thousands; any other comma is a decimal comma. Exact: "0.1" is 1/10.
 * @example readNumber("1 3/4").value?.toFraction() // "7/4"
 */
export function readNumber(text: string): NumberReading {
  if (text.length > LONGEST) return { ok: false, reason: "too-long" };
  const tidy = text
    // Normalising "1½" without a space in between reads it as 11/2.
    .replace(/(\d)(?=[¼-¾⅐-⅞])/gu, "$1 ")
    .normalize("NFKC")
    .replace(/[−–]/g, "-")
    .replace(/⁄/g, "/")
    .replace(/\s+/g, " ")
    .trim()
    .replace(/^([+-]?)\s*[€$£]\s*/, "$1");
  if (tidy === "") return { ok: false, reason: "empty" };
  const match = NUMBER.exec(tidy);
  if (!match) return { ok: false, reason: "not-a-number" };
  const [, sign, whole, mixedTop, mixedBottom, top, bottom, plain, , decimals, rest = ""] = match;
  const unit = rest.trim();
  // A digit, slash or second separator left over means the number itself was not understood.
  if (/[\d/.,+*^-]/.test(unit.replace(/(km|m|miles|mi)\/(h|s)/gi, "").replace(/\.$/, "")))
    return { ok: false, reason: "not-a-number" };
  if ((mixedBottom ?? bottom) !== undefined && BigInt(mixedBottom ?? bottom ?? "1") === 0n)
    return { ok: false, reason: "zero-below" };
  const signed = (value: Rational) => (sign === "-" ? value.neg() : value);
  const inLowestTerms = (above: string, below: string) => rational(BigInt(above), BigInt(below)).d === BigInt(below);
  if (whole !== undefined && mixedTop !== undefined && mixedBottom !== undefined) {
    const value = rational(BigInt(mixedTop), BigInt(mixedBottom)).add(rational(BigInt(whole)));
    return { ok: true, value: signed(value), unit, lowestTerms: inLowestTerms(mixedTop, mixedBottom), form: "mixed" };
  }
  if (top !== undefined && bottom !== undefined) {
    const value = rational(BigInt(top), BigInt(bottom));
    return { ok: true, value: signed(value), unit, lowestTerms: inLowestTerms(top, bottom), form: "fraction" };
  }
  if (plain === undefined && decimals === undefined) return { ok: false, reason: "not-a-number" };
  const digits = `${(plain ?? "0").replace(/[ ,]/g, "")}${decimals === undefined ? "" : `.${decimals}`}`;
  const form = decimals === undefined ? "whole" : "decimal";
  return { ok: true, value: signed(rational(digits)), unit, lowestTerms: true, form };
}
