import { array, object, string } from "yup";
import type { AlgebraForm } from "../../answers/algebra/writtenForm";

/** An expression, equation, inequality or solution to be written. */
export interface ExpressionBody {
  /** The key, with slots filled. */
  readonly answer: string;
  /** Whether any writing of it counts, or only a solved or a collected one. */
  readonly form: AlgebraForm;
  /** Wrong answers that reveal a misconception; slots are filled. */
  readonly misconceptions: readonly { readonly id: string; readonly text: string }[];
}

export interface DrawnExpression {
  readonly keyText: string;
  readonly form: AlgebraForm;
  readonly misconceptionTexts: ExpressionBody["misconceptions"];
}

/** An expression says nothing to the browser but that it is one. */
export type ShownExpression = Readonly<Record<string, never>>;

/** An expression as it was typed. */
export interface ExpressionResponse {
  readonly text: string;
}

export const expressionSchema = object({
  answer: string().required(),
  form: string().oneOf(["any", "solved", "collected"]).required(),
  misconceptions: array(object({ id: string().required(), text: string().required() }).noUnknown()).required(),
});
