import { rational } from "../numeric/rational";
import { checkNumber, type NumberProblem } from "./checkNumber";
import type { Item } from "./instantiateItem";

/** The verdict on one answer. "unreadable" is not scored: the student is told what to type instead. */
export type AnswerCheck =
  | { readonly verdict: "right"; readonly misconceptionId: null }
  | { readonly verdict: "wrong"; readonly misconceptionId: string | null }
  | { readonly verdict: "unreadable"; readonly reason: UnreadableReason };

export type UnreadableReason = NumberProblem | "no-such-option";

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
  const { key, unit, lowestTerms } = item;
  if (!key) return { verdict: "unreadable", reason: "not-a-number" };
  const check = checkNumber(answer, {
    value: key,
    lowestTerms,
    ...(unit ? { units: [{ word: unit.word, factor: rational(1) }], unitRequired: unit.required } : {}),
  });
  if (check.verdict === "unreadable") return check;
  if (check.verdict === "right") return { verdict: "right", misconceptionId: null };
  const shown = item.misconceptionValues.find(({ value }) => value.equals(check.value));
  return { verdict: "wrong", misconceptionId: shown?.id ?? null };
}
