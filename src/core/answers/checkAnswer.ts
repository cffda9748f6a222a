import type { Item } from "./instantiateItem";
import { readNumber } from "./readNumber";

/** The verdict on one answer. "unreadable" is not scored: the student is told what to type instead. */
export type AnswerCheck =
  | { readonly verdict: "right"; readonly misconceptionId: null }
  | { readonly verdict: "wrong"; readonly misconceptionId: string | null }
  | { readonly verdict: "unreadable"; readonly reason: UnreadableReason };

export type UnreadableReason =
  | "empty"
  | "not-a-number"
  | "zero-below"
  | "too-long"
  | "unit-missing"
  | "not-lowest-terms"
  | "no-such-option";

/**
 * Checks an answer to an item: the id of an option, or a number as typed. A right value in a form that was not asked for
 * (not in lowest terms, unit missing) is "unreadable", so that the student can mend it without losing a try.
 */
export function checkAnswer(item: Item, answer: string): AnswerCheck {
  if (item.kind === "choice") {
    const option = item.options.find((candidate) => candidate.id === answer);
    if (!option) return { verdict: "unreadable", reason: answer === "" ? "empty" : "no-such-option" };
    return option.right
      ? { verdict: "right", misconceptionId: null }
      : { verdict: "wrong", misconceptionId: option.misconceptionId };
  }
  const reading = readNumber(answer);
  if (!reading.ok) return { verdict: "unreadable", reason: reading.reason };
  if (item.key?.equals(reading.value)) {
    if (item.lowestTerms && !reading.lowestTerms) return { verdict: "unreadable", reason: "not-lowest-terms" };
    if (item.unit?.required && reading.unit === "") return { verdict: "unreadable", reason: "unit-missing" };
    if (item.unit?.required && !sameUnit(reading.unit, item.unit.word))
      return { verdict: "wrong", misconceptionId: null };
    return { verdict: "right", misconceptionId: null };
  }
  const shown = item.misconceptionValues.find(({ value }) => value.equals(reading.value));
  return { verdict: "wrong", misconceptionId: shown?.id ?? null };
}

/** Units are the same but for case, spaces, a closing full stop and a plural s. */
function sameUnit(typed: string, wanted: string): boolean {
  const bare = (word: string) => word.toLowerCase().replace(/[\s.]/g, "").replace(/s$/, "");
  return bare(typed) === bare(wanted);
}
