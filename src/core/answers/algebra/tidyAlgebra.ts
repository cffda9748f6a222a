import { MINUS_SIGNS } from "../minusSigns";

/** Longest line that is read, in characters. */
const LONGEST = 500;
const SIGNS: readonly (readonly [RegExp, string])[] = [
  [MINUS_SIGNS, "-"],
  [/[×·⋅∙•*]/g, "*"],
  [/\*\s?\*/g, "^"],
  [/[÷∶:⁄]/g, "/"],
  [/[≤⩽]|=</g, "<="],
  [/[≥⩾]|=>/g, ">="],
  [/\+\s?\/\s?-|\+-(?=\s*[\d√])/g, "±"],
  [/[[{]/g, "("],
  [/[\]}]/g, ")"],
];
/** Signs of school algebra, after those above. */
const KNOWN = /^[0-9a-zπ√±|+\-*/^().,;'’<>= ]*$/i;

/**
 * A typed line with one sign for each operation: typographic and full-width signs in plain ones, raised digits as powers, small
 * fractions as a mixed number's part ("1½" is "1 1/2") or in brackets; a full stop at the end and an equals sign at the start go. Null
 * for a line that holds any sign not of school algebra.
 * @example tidyAlgebra("2 × x − 1½") // "2 * x - 1 1/2"
 */
export function tidyAlgebra(text: string): string | "too-long" | null {
  if (text.length > LONGEST) return "too-long";
  let plain = text
    .replace(/[⁺⁻⁰¹²³⁴⁵⁶⁷⁸⁹]+/g, (raised) => `^${raised.normalize("NFKC").replace(MINUS_SIGNS, "-")}`)
    .replace(/(\d)\s*([¼-¾⅐-⅞])/gu, (_, whole: string, part: string) => `${whole} ${part.normalize("NFKC")}`)
    .replace(/[¼-¾⅐-⅞]/gu, (part) => `(${part.normalize("NFKC")})`)
    .normalize("NFKC");
  for (const [sign, meaning] of SIGNS) plain = plain.replace(sign, meaning);
  plain = plain.replace(/\s+/g, " ").trim();
  if (!KNOWN.test(plain)) return null;
  return plain
    .replace(/^=\s*/, "")
    .replace(/(?<!^)\.$/, "")
    .trim();
}
