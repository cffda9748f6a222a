import { array, boolean, object, string } from "yup";
import type { TextRule } from "../../answers/checkText";

/** A word or a short phrase to be written. */
export interface ShortTextBody extends Omit<TextRule, "accepted"> {
  /** Texts that are right; the first is the one shown. Slots are filled. */
  readonly accepted: readonly [string, ...string[]];
  /** Wrong texts that reveal a misconception. */
  readonly misconceptions: readonly { readonly id: string; readonly text: string }[];
}

export interface DrawnShortText {
  readonly rule: TextRule;
  readonly keyText: string;
  readonly misconceptionTexts: readonly { readonly id: string; readonly text: string }[];
}

/** A short text says nothing to the browser but that it is one. */
export type ShownShortText = Readonly<Record<string, never>>;

/** A text as it was typed. */
export interface ShortTextResponse {
  readonly text: string;
}

export const shortTextSchema = object({
  accepted: array(string().required()).min(1).required(),
  notAccepted: array(string().required()).optional(),
  misconceptions: array(object({ id: string().required(), text: string().required() })).required(),
  ignoreCase: boolean().required(),
  ignoreSpacing: boolean().required(),
  ignoreAccents: boolean().required(),
  ignorePunctuation: boolean().required(),
  spelling: string().oneOf(["exact", "lenient"]).required(),
});
