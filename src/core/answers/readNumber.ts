import type { DecimalMark } from "../model/decimalMark";
import { type Rational, rational } from "../numeric/rational";
import { MINUS_SIGNS } from "./minusSigns";
import { readDigits } from "./readDigits";

/** How a number was written. */
export type NumberForm = "whole" | "decimal" | "fraction" | "mixed";

export type NumberReading =
  | {
      readonly ok: true;
      readonly value: Rational;
      /** What it is where its one comma or point is taken the other way ("1,500"); null where it can't be. */
      readonly other: Rational | null;
      readonly unit: string;
      readonly lowestTerms: boolean;
      readonly form: NumberForm;
    }
  | { readonly ok: false; readonly reason: "empty" | "not-a-number" | "zero-below" | "too-long" };

/** Longest text that can be a number a child would type; longer is refused unread. */
const LONGEST = 60;
/** "x =" before an answer to "solve for x". */
const UNKNOWN = /^[a-z]\s*=\s*/i;
const CURRENCY = /^([€$£])\s*/;
const MIXED = /^(\d+)\s+(\d+)\s*\/\s*(\d+)\s*(.*)$/u;
const FRACTION = /^(\d+)\s*\/\s*(\d+)\s*(.*)$/u;
/** Digits with marks between them; a full stop at the end belongs to the sentence. */
const DIGITS = /^(\d+(?:[.,]\d+|[ '’]\d{3}(?!\d))*|[.,]\d+)\s*(.*)$/u;

/**
 * Reads a number as a student types it: whole ("12", "1 200", "1,200"), decimal ("0.5", ".5", "0,125", "1.234,5"), fraction ("3/4"),
 * or mixed ("1 3/4", "1½"), in brackets or after "x =", with any kind of minus sign, a currency sign before it and a unit after it.
 * What commas and points mean: see `readDigits`. Exact: "0.1" is 1/10.
 * @example readNumber("1 3/4").value?.toFraction() // "7/4"
 */
export function readNumber(text: string, decimalMark: DecimalMark = "point"): NumberReading {
  if (text.length > LONGEST) return { ok: false, reason: "too-long" };
  const { isNegative, unsigned, currency } = withoutSign(tidied(text));
  if (unsigned === "") return { ok: false, reason: "empty" };
  const signed = (value: Rational) => (isNegative ? value.neg() : value);
  const mixed = MIXED.exec(unsigned);
  const fraction = mixed ?? FRACTION.exec(unsigned);
  const digits = fraction ? null : DIGITS.exec(unsigned);
  const after = (fraction ?? digits)?.at(-1) ?? null;
  const unit = after === null ? null : unitOf(currency, after);
  if (unit === null || !isUnit(unit)) return { ok: false, reason: "not-a-number" };
  if (fraction) {
    const [top = "", bottom = ""] = mixed ? mixed.slice(2) : fraction.slice(1);
    if (BigInt(bottom) === 0n) return { ok: false, reason: "zero-below" };
    const part = rational(BigInt(top), BigInt(bottom));
    const value = mixed ? part.add(rational(BigInt(mixed[1] ?? ""))) : part;
    const lowestTerms = part.d === BigInt(bottom);
    return { ok: true, value: signed(value), other: null, unit, lowestTerms, form: mixed ? "mixed" : "fraction" };
  }
  const read = readDigits(digits?.[1] ?? "", decimalMark);
  if (!read) return { ok: false, reason: "not-a-number" };
  const other = read.other && signed(read.other);
  return { ok: true, value: signed(read.value), other, unit, lowestTerms: true, form: read.form };
}

/** One kind of each sign, single blanks, no brackets around the whole and no "x =" before it. */
function tidied(text: string): string {
  const plain = text
    // Normalising "1½" without a space in between reads it as 11/2.
    .replace(/(\d)(?=[¼-¾⅐-⅞])/gu, "$1 ")
    // Normalising "5²" reads it as 52.
    .replace(/²/g, "^2")
    .replace(/³/g, "^3")
    .normalize("NFKC")
    .replace(MINUS_SIGNS, "-")
    .replace(/⁄/g, "/")
    .replace(/\s+/g, " ")
    .trim();
  const bare = plain.replace(UNKNOWN, "");
  return /^\([^()]*\)$/.test(bare) ? bare.slice(1, -1).trim() : bare;
}

/** The sign, and a currency sign before it or after it. */
function withoutSign(text: string) {
  const [, sign = "", rest = ""] = /^([+-]?)\s*(.*)$/u.exec(text.replace(CURRENCY, "")) ?? [];
  const currency = (CURRENCY.exec(text) ?? CURRENCY.exec(rest))?.[1] ?? "";
  return { isNegative: sign === "-", unsigned: rest.replace(CURRENCY, ""), currency };
}

/** "5." ends a sentence; "$4/lb" has its unit on both sides. */
function unitOf(currency: string, after: string): string {
  const bare = after === "." ? "" : after;
  return bare === "" || /^(?:\/|per )/.test(bare) ? `${currency} ${bare}`.trim() : bare;
}

/** A unit's power ("cm^2", "m3") and the line of a rate ("km/h"). */
const POWER = /(?<=\p{L})\^?[23](?!\d)/gu;
const RATE = /(?<=[\p{L}€$£.])\s*\/\s*(?=[\p{L}€$£])/u;

/** A digit, slash or sign left over means that the number itself was not understood. */
const isUnit = (text: string): boolean =>
  !/[\d/.,+*^()=-]/.test(
    text
      .replace(POWER, "")
      .replace(RATE, "")
      .replace(/\.$/, "")
      .replace(/(?<=\p{L})\.\s/gu, " "),
  );
