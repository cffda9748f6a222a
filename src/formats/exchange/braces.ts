import { withFormulas } from "@/core/model/formula";

/** Slots of texts stand in braces: braces that are meant as such are slots themselves, filled with what they are. */
const WORDS = { "{": "leftBrace", "}": "rightBrace" } as const;

/**
 * A text of a file as a text of an item.
 * @example heldBraces("the set {1}") // "the set {leftBrace}1{rightBrace}"
 */
export const heldBraces = (text: string): string =>
  withFormulas(
    text,
    (words) => words.replace(/[{}]/g, (brace) => `{${WORDS[brace as keyof typeof WORDS]}}`),
    // Braces of a formula are its own; two at once would be taken for a slot.
    (tex) => tex.replace(/([{}])(?=\1)/g, "$1 "),
  );

/** Whether a text has such slots. */
export const holdsBraces = (text: string): boolean => /\{(leftBrace|rightBrace)\}/.test(text);

/** Words that fill the slots which stand for braces, where there are any. */
export const braceWords = (hasBraces: boolean): Readonly<Record<string, string>> =>
  hasBraces ? { [WORDS["{"]]: "{", [WORDS["}"]]: "}" } : {};

/**
 * A text of an item with its braces as they are read.
 * @example filledBraces("the set {leftBrace}1{rightBrace}") // "the set {1}"
 */
export const filledBraces = (text: string): string =>
  text.replace(/\{(leftBrace|rightBrace)\}/g, (_, word: string) => (word === WORDS["{"] ? "{" : "}"));
