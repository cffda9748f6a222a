import { array, object, string } from "yup";
import { textsByName } from "./textsByName";

/** Shape of the options of a choice, as content may bring them. */
export const optionsSchema = object({
  option: string().required(),
  right: string().required(),
  options: array(object({ id: string().required(), values: textsByName(), misconceptionId: string().optional() }))
    .min(2)
    .test("different-ids", "option-ids-not-unique", (options) => {
      const ids = (options ?? []).map(({ id }) => id);
      return new Set(ids).size === ids.length;
    })
    .required(),
});
