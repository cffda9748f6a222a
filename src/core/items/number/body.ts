import { array, boolean, object, string } from "yup";
import type { Rational } from "../../numeric/rational";

/** A number to be written: whole, decimal, fraction or mixed, with or without a unit. */
export interface NumberBody {
  /** Expression for the right value. */
  readonly answer: string;
  /** An independent condition on `x` that holds exactly for right answers. */
  readonly right: string;
  /** Wrong values that reveal a misconception, by misconception id. */
  readonly misconceptions: readonly { readonly id: string; readonly value: string }[];
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
  misconceptions: array(object({ id: string().required(), value: string().required() })).required(),
  unit: object({ word: string().required(), required: boolean().required() }).optional().default(undefined),
  answerFormat: string().oneOf(["fraction", "decimal", "money", "mixed"]).optional(),
  form: string().oneOf(["any", "lowest-terms"]).optional(),
});
