import { compileExpression } from "../answers/compileExpression";
import type { Rational } from "../numeric/rational";
import { numberFrom, type ParameterValues } from "./drawParameters";
import type { OptionsBody } from "./options";

/**
 * How many different options, right and wrong, come out of a body with these values: options of the same values read the same, and
 * nobody is shown one with a number under 0. Draws may show fewer, never more.
 * @example optionsShown({ option: "{n}", right: "n == a", options: [{ id: "x", values: { n: "a" } }, { id: "y", values: { n: "0 - 1" } }] }, { a: rational(3) }) // { right: 1, wrong: 0 }
 */
export function optionsShown(
  body: OptionsBody,
  values: ParameterValues,
): { readonly right: number; readonly wrong: number } {
  const met = new Map<string, boolean>();
  for (const option of body.options) {
    if (option.text !== undefined) {
      if (!met.has(option.text)) met.set(option.text, option.right === true);
      continue;
    }
    const own: Record<string, Rational> = {};
    for (const [name, expression] of Object.entries(option.values ?? {})) own[name] = numberFrom(expression, values);
    if (Object.values(own).some((value) => value.compare(0) < 0)) continue;
    const words = Object.entries(own).map(([name, value]) => `${name}=${value.toFraction()}`);
    if (!met.has(words.join()))
      met.set(words.join(), compileExpression(body.right ?? "false")({ ...values, ...own }) === true);
  }
  const right = [...met.values()].filter(Boolean).length;
  return { right, wrong: met.size - right };
}
