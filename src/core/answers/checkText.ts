import { demandThat } from "../model/fail";
import { editDistance } from "./editDistance";
import { FIELD_WORDS } from "./fieldWords";

/** What is overlooked in a typed text. */
export interface TextRule {
  /** Texts that are right; the first is the one shown. */
  readonly accepted: readonly string[];
  /** Texts that are wrong even where spelling is overlooked: other words that look alike. */
  readonly notAccepted?: readonly string[];
  readonly ignoreCase: boolean;
  readonly ignoreSpacing: boolean;
  readonly ignoreAccents: boolean;
  readonly ignorePunctuation: boolean;
  /**
   * "lenient": one letter off in words of four letters or more, two in words of eight or more; never from one word of the field to
   * another, such as increase and decrease.
   */
  readonly spelling: "exact" | "lenient";
}

export type TextCheck =
  | { readonly verdict: "right"; readonly as: string; readonly misspelled: boolean }
  | { readonly verdict: "wrong" }
  | { readonly verdict: "unreadable"; readonly reason: "empty" | "too-long" };

const LONGEST = 500;
const ONE_OFF_FROM = 4;
const TWO_OFF_FROM = 8;

/**
 * Checks a typed text: right when, after what the rule overlooks, it is an accepted one; nearly spelled words count when the
 * rule is lenient, and are said to be misspelled. Throws "bad-argument" for a rule that accepts nothing.
 * @example checkText(" The Ratio ", { accepted: ["the ratio"], ignoreCase: true, ignoreSpacing: true, ignoreAccents: false, ignorePunctuation: false, spelling: "exact" }) // { verdict: "right", as: "the ratio", misspelled: false }
 */
export function checkText(answer: string, rule: TextRule): TextCheck {
  demandThat(
    rule.accepted.length > 0 && rule.accepted.every((text) => text.trim() !== ""),
    "A rule accepts some text.",
  );
  if (answer.length > LONGEST) return { verdict: "unreadable", reason: "too-long" };
  const given = plain(answer, rule);
  if (given === "") return { verdict: "unreadable", reason: "empty" };
  const exact = rule.accepted.find((text) => plain(text, rule) === given);
  if (exact !== undefined) return { verdict: "right", as: exact, misspelled: false };
  if (rule.spelling === "exact" || (rule.notAccepted ?? []).some((text) => plain(text, rule) === given))
    return { verdict: "wrong" };
  const near = rule.accepted.find((text) => isNearlySpelled(given, plain(text, rule)));
  return near === undefined ? { verdict: "wrong" } : { verdict: "right", as: near, misspelled: true };
}

const MINUS_SIGNS = /[\u2010-\u2015\u2212]/g;
/** Between letters: "twenty-one" and "twenty one" are the same words. */
const HYPHEN = /(?<=\p{L})-(?=\p{L})/gu;
/** Punctuation but for what belongs to a number: a decimal mark between digits, and a minus sign before one. */
const PUNCTUATION = /(?<!\d)[.,](?=\d)|[.,](?!\d)|(?<=[\p{L}\d])-|-(?!\d)|(?![.,-])\p{P}/gu;

function plain(text: string, rule: TextRule): string {
  let result = text.normalize("NFKC").replace(MINUS_SIGNS, "-").trim();
  if (rule.ignoreAccents) result = result.normalize("NFD").replace(/\p{M}/gu, "").normalize("NFC");
  if (rule.ignorePunctuation) result = result.replace(HYPHEN, " ").replace(PUNCTUATION, "");
  if (rule.ignoreCase) result = result.toLowerCase();
  return result.replace(/\s+/g, rule.ignoreSpacing ? "" : " ").trim();
}

/** Every word within its own allowance; numbers must be exact, and a word of the field is meant as it stands. */
function isNearlySpelled(given: string, wanted: string): boolean {
  const [own, right] = [given.split(" "), wanted.split(" ")];
  return (
    own.length === right.length &&
    own.every((word, place) => {
      const target = right[place] ?? "";
      if (word === target) return true;
      if (/\d/.test(target) || /\d/.test(word) || FIELD_WORDS.has(word.toLowerCase())) return false;
      const letters = [...target].length;
      const allowed = letters >= TWO_OFF_FROM ? 2 : letters >= ONE_OFF_FROM ? 1 : 0;
      return Math.abs(word.length - target.length) <= allowed && editDistance(word, target) <= allowed;
    })
  );
}
