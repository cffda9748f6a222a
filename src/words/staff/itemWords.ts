import type { ItemKind } from "@/core/items/itemKind";
import type { TrialRemark } from "@/core/items/tryItem";
import { message } from "../message";

/** What each kind of part asks for, as teachers say it. */
export const KIND_WORDS: Readonly<Record<ItemKind, string>> = {
  number: "write a number",
  "single-choice": "choose one",
  "multiple-choice": "choose all that fit",
  "short-text": "write a word",
  "inline-choice": "fill gaps by choosing",
  order: "put in order",
  matching: "match or sort",
  "select-words": "find words in a text",
  "number-line": "mark on a number line",
  grid: "set points on a grid",
  shading: "shade a fraction",
  expression: "write an expression",
  steps: "solve line by line",
  written: "write an answer",
};

/** The kind of a card: of its only part, or that it has several. */
export const cardKindWords = (kind: string): string =>
  kind === "several"
    ? "several parts"
    : ((KIND_WORDS as Readonly<Record<string, string>>)[kind] ?? "nothing asked yet");

const REMARK_MESSAGES: Readonly<Record<Exclude<TrialRemark["code"], "cannot-draw">, string>> = {
  "options-alike": "Two options read the same{atGiven, select, yes { (“{at}”)} other {}}; only one of them is shown.",
  "mistake-is-right":
    "A mistake that you name is right, or says the same as another{atGiven, select, yes { (“{at}”)} other {}}; it is left out.",
  "below-nought": "A number lies under 0{atGiven, select, yes { ({at})} other {}}.",
  "ugly-number": "The answer is a number that nobody would work out by hand ({at}).",
  "slip-not-made": "A slip that you name can't be made on the way from “{at}”, so nothing would ever show it.",
  "few-variants":
    "Only {at} different items come out. Widen the ranges, or students will soon meet the same one again.",
  markup: "“{at}” is shown as it is typed, not as formatting.",
  "web-address": "“{at}” leads nowhere for students: nothing outside Oxbow is opened.",
};

/** Why nothing can be drawn, by the reason that the core gives. */
const REASON_MESSAGES: Readonly<Record<string, string>> = {
  "empty-slot": "Nothing fills {slot}. Give it a range under “numbers that change”, or words under “stories”.",
  "bad-expression": "“{at}” can't be worked out.",
  "conditions-unmet": "No numbers of these ranges meet the conditions.",
  "key-fails": "The right answer{atGiven, select, yes { ({at})} other {}} does not meet its own condition.",
  "no-key": "No option is marked as right.",
  "several-keys": "More than one option is right, but only one can be chosen.",
  "nothing-wrong": "Nothing wrong is left beside the right answer.",
  "gap-needs-options": "A gap needs its right word and at least one other.",
  "gaps-not-in-text": "Each gap stands in the text exactly once.",
  "members-alike": "Two things to be ordered read the same.",
  "values-alike": "Two things to be ordered have the same value, or one has none.",
  "sides-alike": "Two things read the same, or one has no partner.",
  "select-right-and-wrong": "Some words have to be right and some wrong.",
  "line-ends": "The line has to end after it begins, in steps over 0.",
  "no-place-on-line": "“{at}” lies on none of the line's places.",
  "interval-empty": "The interval ends before it begins.",
  "line-places": "The line needs 2 to 201 places.",
  "points-alike": "Two points are the same, or a line is not given by two points.",
  "grid-lines": "Each axis needs 2 to 41 lines.",
  "no-line-on-grid": "“{at}” lies on no line of the grid.",
  "parts-not-whole": "The fraction has to be a whole number of the figure's parts, in full rows.",
  "no-way-to-end": "From “{at}” no known steps lead to an end. It needs one unknown, and something left to do.",
  "key-unreadable": "“{at}” can't be read as an expression in the form asked for.",
  "mistake-is-right": "“{at}” is a mistake that would count as right.",
};

/** Something that an author should know, and in how many draws. */
export function remarkWords(remark: Pick<TrialRemark, "code" | "reason" | "at" | "draws">, tried: number): string {
  const { code, reason, at, draws } = remark;
  const template =
    code === "cannot-draw"
      ? (REASON_MESSAGES[reason ?? ""] ?? "Something in this item contradicts itself.")
      : REMARK_MESSAGES[code];
  const said = message(template, { at, atGiven: at === "" ? "no" : "yes", slot: `{${at}}` });
  const isGeneral = code === "few-variants" || code === "markup" || code === "web-address";
  if (isGeneral || tried === 1) return said;
  return `${said} ${draws === tried ? "In every draw." : `In ${draws} of ${tried} draws.`}`;
}
