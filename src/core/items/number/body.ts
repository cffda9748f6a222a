import { array, boolean, object, string } from "yup";
import type { Rational } from "../../numeric/rational";

/** A number to be written: whole, decimal, fraction or mixed, with or without a unit. */
export interface NumberBody {
  /** Expression for the right value. */
  readonly answer: string;
  /** An independent condition on `x` that holds exactly for right answers. */
  readonly right: string;
  /** How far from the key an answer may lie, as an expression; exactly right unless stated. */
  readonly tolerance?: string;
  /** Any number for which `right` holds is right; the key is one of them, and the one that is shown. */
  readonly anyRight?: boolean;
  /** Wrong values that reveal a misconception, by misconception id. */
  readonly misconceptions: readonly { readonly id: string; readonly value: string }[];
  /** Whether values under 0 count among the wrong ones; they are left out unless stated. */
  readonly negatives?: boolean;
  /** The word after the answer box; "required" units must be typed by the student. */
  readonly unit?: { readonly word: string; readonly required: boolean };
  /** How the key is written when it is shown; a mixed number unless stated. */
  readonly answerFormat?: "fraction" | "decimal" | "money" | "mixed";
  /** Whether an equal value in another form counts: "any" or only lowest terms. */
  readonly form?: "any" | "lowest-terms";
}

export interface DrawnNumber {
  readonly key: Rational;
  readonly keyText: string;
  readonly unit: { readonly word: string; readonly required: boolean } | null;
  readonly lowestTerms: boolean;
  readonly tolerance: Rational | null;
  /** What makes any number right, with the values that it is about; null where only the key is. */
  readonly accepts: { readonly condition: string; readonly values: Readonly<Record<string, Rational>> } | null;
  /** Values of wrong answers that reveal a misconception. */
  readonly misconceptionValues: readonly {
    readonly id: string;
    readonly value: Rational;
  }[];
}

export interface ShownNumber {
  readonly unit: { readonly word: string; readonly required: boolean } | null;
}

/** A number as it was typed. */
export interface NumberResponse {
  readonly text: string;
}

export const numberSchema = object({
  answer: string().required(),
  right: string().required(),
  tolerance: string().optional(),
  anyRight: boolean().optional(),
  misconceptions: array(object({ id: string().required(), value: string().required() })).required(),
  negatives: boolean().optional(),
  unit: object({ word: string().required(), required: boolean().required() }).optional().default(undefined),
  answerFormat: string().oneOf(["fraction", "decimal", "money", "mixed"]).optional(),
  form: string().oneOf(["any", "lowest-terms"]).optional(),
});
