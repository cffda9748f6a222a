import { array, boolean, object, string } from "yup";
import { isUnique } from "./namedTexts";
import { textsByName } from "./textsByName";

const option = object({
  id: string().required(),
  values: textsByName().optional(),
  text: string().optional(),
  right: boolean().optional(),
  misconceptionId: string().optional(),
});

/** Shape of the options of a choice, as content may bring them: each with a text of its own, or with values for the common one. */
export const optionsSchema = object({
  option: string().optional(),
  right: string().optional(),
  negatives: boolean().optional(),
  options: array(option)
    .min(2)
    .test("different-ids", "option-ids-not-unique", (options) => isUnique((options ?? []).map(({ id }) => id)))
    .required(),
}).test("written", "options-not-written", ({ option: common, right, options }) =>
  (options ?? []).every(({ text, values }) =>
    text === undefined ? values !== undefined && common !== undefined && right !== undefined : values === undefined,
  ),
);
