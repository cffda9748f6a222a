import { array, object, string } from "yup";

/** A text under a stable id; slots are filled. */
export interface NamedText {
  readonly id: string;
  readonly text: string;
}

/** A text that somebody chooses who holds a misconception. */
export interface TellingText extends NamedText {
  readonly misconceptionId?: string;
}

/**
 * Shape of texts with ids that are told apart.
 * @example namedTexts(2).isValidSync([{ id: "a", text: "x" }]) // false
 */
export const namedTexts = (least: number) =>
  array(
    object({ id: string().required(), text: string().required(), misconceptionId: string().optional() }).noUnknown(),
  )
    .min(least)
    .test("different-ids", "ids-not-unique", (texts) => isUnique((texts ?? []).map(({ id }) => id)))
    .required();

/**
 * @example isUnique(["a", "b", "a"]) // false
 */
export const isUnique = (names: readonly string[]): boolean => new Set(names).size === names.length;
