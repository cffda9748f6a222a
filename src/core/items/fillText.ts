import { writeNumber } from "../answers/writeNumber";
import { CoreError } from "../model/fail";
import { isRational } from "../numeric/rational";
import type { ParameterValues } from "./drawParameters";

/**
 * Fills `{name}` slots in a text with words of the story or numbers. `{x:decimal}` writes a number as a decimal,
 * `{x:money}` with two decimals unless it is whole, `{x:mixed}` as a mixed number. Words may hold slots themselves (one
 * level). Throws "bad-item" for an unknown slot.
 * @example fillText("{a} boats", { a: rational(3) }, {}) // "3 boats"
 */
export function fillText(text: string, values: ParameterValues, words: Readonly<Record<string, string>>): string {
  const fill = (part: string, depth: number): string =>
    part.replace(/\{(\w+)(?::(decimal|money|mixed))?\}/g, (_, name: string, format?: "decimal" | "money" | "mixed") => {
      const value = values[name];
      if (isRational(value)) return writeNumber(value, format ?? "fraction");
      const word = words[name];
      if (word === undefined) throw new CoreError("bad-item", `Nothing fills {${name}}.`, { text, name });
      return depth > 0 ? fill(word, depth - 1) : word;
    });
  return fill(text, 1);
}
