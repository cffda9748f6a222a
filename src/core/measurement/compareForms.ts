import { demandThat } from "../model/fail";
import { expectedScore } from "./expectedScore";
import type { ItemParameters } from "./item";
import { equatedScore } from "./trueScoreEquating";

/** Whether marks of two forms can be set against each other as they are, or have to be equated first. */
export interface ComparedForms {
  readonly basis: "as-they-are" | "equated";
  /** Largest difference of the expected shares within a logit of the place compared, second less first; in -1 to 1. */
  readonly difference: number;
}

/** Expected shares this near count as the same. */
const NEAR = 0.02;
/** Logits around the place at which the curves are compared. */
const PLACES = [-1, 0, 1] as const;

/**
 * Compares the expected-score curves of two forms at an ability (logits) and a logit to each side: within 2 points in 100 everywhere, marks
 * are compared as they are.
 * @throws CoreError "bad-argument", where this does not hold: A form has items.
 * @example compareForms([{ a: 1, b: 0, c: 0 }], [{ a: 1, b: 0, c: 0 }], 0).basis // "as-they-are"
 */
export function compareForms(
  first: readonly ItemParameters[],
  second: readonly ItemParameters[],
  around: number,
): ComparedForms {
  demandThat(first.length > 0 && second.length > 0, "A form has items.");
  const differences = PLACES.map(
    (place) =>
      expectedScore(around + place, second) / second.length - expectedScore(around + place, first) / first.length,
  );
  const difference = differences.reduce((most, one) => (Math.abs(one) > Math.abs(most) ? one : most), 0);
  return { basis: Math.abs(difference) <= NEAR ? "as-they-are" : "equated", difference };
}

/**
 * The share on the second form that the ability behind a share on the first would get. At or under what guessing brings, where no ability is
 * behind it, in proportion (Kolen & Brennan 2014, section 6.5.2); all of it stays all of it.
 * @example equatedShare(1, [{ a: 1, b: 0, c: 0 }], [{ a: 1, b: 1, c: 0 }]) // 1
 */
export function equatedShare(
  share: number,
  first: readonly ItemParameters[],
  second: readonly ItemParameters[],
): number {
  const score = share * first.length;
  const found = equatedScore(score, first, second);
  if (typeof found === "number") return found / second.length;
  if (share >= 1) return 1;
  const guessed = (form: readonly ItemParameters[]) => form.reduce((sum, { c }) => sum + c, 0);
  return guessed(first) === 0 ? 0 : ((score / guessed(first)) * guessed(second)) / second.length;
}
