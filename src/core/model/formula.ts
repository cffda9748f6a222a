/** A piece of a text: plain words, or a formula in TeX. */
export type TextPiece = { readonly text: string } | { readonly tex: string };

/**
 * The pieces of a text in which formulas stand between \( and \), as TeX has it for formulas in a line. One that does not end is plain text.
 * @example formulasIn("Half is \\(\\frac{1}{2}\\).") // [{ text: "Half is " }, { tex: "\\frac{1}{2}" }, { text: "." }]
 */
export function formulasIn(text: string): TextPiece[] {
  return text.split(/(\\\([\s\S]*?\\\))/).flatMap((piece, place): TextPiece[] => {
    if (place % 2 === 1) return [{ tex: piece.slice(2, -2) }];
    return piece === "" ? [] : [{ text: piece }];
  });
}

/**
 * A text with its plain words and its formulas changed apart.
 * @example withFormulas("a \\(a\\)", (words) => words.toUpperCase(), (tex) => tex) // "A \\(a\\)"
 */
export const withFormulas = (
  text: string,
  words: (text: string) => string,
  formula: (tex: string) => string,
): string =>
  text.includes("\\(")
    ? formulasIn(text)
        .map((piece) => ("tex" in piece ? `\\(${formula(piece.tex)}\\)` : words(piece.text)))
        .join("")
    : words(text);
