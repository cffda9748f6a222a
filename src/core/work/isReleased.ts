import type { Released, ReleaseRules } from "../model/work";

/** What is known of one student's finished run. */
interface ReleaseFacts {
  readonly rules: ReleaseRules;
  /** What a teacher released. */
  readonly word: readonly Released[];
  readonly done: boolean;
  /** Nobody can work on it any more. */
  readonly closed: boolean;
}

/**
 * Whether a student may see something of a finished run. Answers go with the score, explanations with the answers: whoever sees what was right
 * can count it.
 * @example isReleased("score", { rules: { answers: "done" }, word: [], done: true, closed: false }) // true
 */
export function isReleased(what: Released, facts: ReleaseFacts): boolean {
  if (!facts.done) return false;
  return ENOUGH[what].some((one) => {
    if (facts.word.includes(one)) return true;
    const time = facts.rules[one] ?? "word";
    return time === "done" || (time === "closed" && facts.closed);
  });
}

/** Any of these released lets it be seen. */
const ENOUGH: Readonly<Record<Released, readonly Released[]>> = {
  score: ["score", "answers", "explanations"],
  answers: ["answers", "explanations"],
  explanations: ["explanations"],
};
