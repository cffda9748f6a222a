/** Longest line that is read, in characters. */
const LONGEST = 500;
const SIGNS: readonly (readonly [RegExp, string])[] = [
  [/[−–—]/g, "-"],
  [/[×·⋅∙]/g, "*"],
  [/[÷∶:]/g, "/"],
  [/≤|=</g, "<="],
  [/≥|=>/g, ">="],
  [/√/g, "sqrt"],
  [/[[{]/g, "("],
  [/[\]}]/g, ")"],
  // A comma between digits is a decimal comma: no list occurs in a line of algebra.
  [/(\d),(?=\d)/g, "$1."],
];

/**
 * A typed line in the syntax that is parsed: typographic signs, small raised digits and fractions in plain ones, letters
 * side by side multiplied ("xy", "x(x+1)"). Null for a line that holds any sign not of school algebra.
 * @example tidyAlgebra("2 × x − 3") // "2 * x - 3"
 */
export function tidyAlgebra(text: string): string | "too-long" | null {
  if (text.length > LONGEST) return "too-long";
  let plain = text.replace(/[⁰¹²³⁴⁵⁶⁷⁸⁹]+/g, (digits) => `^${digits.normalize("NFKC")}`);
  plain = plain
    .replace(/(\d)(?=[¼-¾⅐-⅞])/gu, "$1+")
    .normalize("NFKC")
    .replace(/⁄/g, "/");
  for (const [sign, meaning] of SIGNS) plain = plain.replace(sign, meaning);
  if (!/^[0-9a-z+\-*/^().<>= \t]*$/i.test(plain)) return null;
  return plain
    .replace(/\s+/g, " ")
    .trim()
    .replace(/[a-z]+/gi, (word, place: number, whole: string) => {
      if (word === "sqrt" || word === "abs") return word;
      const product = [...word].join("*");
      // "x(x+1)" would be read as a function called x.
      return /^ ?\(/.test(whole.slice(place + word.length)) ? `${product}*` : product;
    });
}
