import { compileExpression } from "../answers/compileExpression";
import { writeNumber } from "../answers/writeNumber";
import { CoreError } from "../model/fail";
import { withFormulas } from "../model/formula";
import { isRational } from "../numeric/rational";
import type { ParameterValues } from "./drawParameters";

/** A slot in plain words, `{name}`, and within a formula, where single braces are the formula's own: `{{name}}`. */
const SLOT = /\{([^{}]+?)(?::(decimal|money|mixed))?\}/g;
const SLOT_IN_FORMULA = /\{\{([^{}]+?)(?::(decimal|money|mixed))?\}\}/g;
type NumberForm = "decimal" | "money" | "mixed";

/**
 * Fills `{name}` slots in a text with words of the story or numbers; a slot may also hold an expression, `{a + b}`.
 * `{x:decimal}` writes a number as a decimal, `{x:money}` with two decimals unless it is whole, `{x:mixed}` as a mixed number.
 * Within a formula, between \\( and \\), slots stand in double braces and give a group of the formula.
 * Words may hold slots themselves (one level). Throws "bad-item" for an unknown slot, "bad-expression" for one that can't be worked out.
 * @example fillText("{a} boats", { a: rational(3) }, {}) // "3 boats"
 */
export function fillText(text: string, values: ParameterValues, words: Readonly<Record<string, string>>): string {
  const said = (name: string, format: NumberForm | undefined, depth: number): string => {
    const value = values[name];
    if (isRational(value)) return writeNumber(value, format ?? "fraction");
    const word = words[name];
    if (word !== undefined) return depth > 0 ? fill(word, depth - 1) : word;
    if (/^[\p{L}_]\w*$/u.test(name))
      throw new CoreError("bad-item", `Nothing fills {${name}}.`, { reason: "empty-slot", at: name });
    const worked = compileExpression(name)(values);
    if (!isRational(worked)) throw new CoreError("bad-expression", `{${name}} is no number.`, { source: name });
    return writeNumber(worked, format ?? "fraction");
  };
  const fill = (part: string, depth: number): string =>
    withFormulas(
      part,
      (plain) => plain.replace(SLOT, (_, name: string, format?: NumberForm) => said(name, format, depth)),
      (tex) => tex.replace(SLOT_IN_FORMULA, (_, name: string, format?: NumberForm) => `{${said(name, format, depth)}}`),
    );
  return fill(text, 1);
}
