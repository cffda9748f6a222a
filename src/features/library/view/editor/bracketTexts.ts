type GapPiece = string | { readonly gap: string };

/**
 * A text with gaps as it is typed: each gap's name in brackets.
 * @example readGaps("Six is [one] than four.") // ["Six is ", { gap: "one" }, " than four."]
 */
export const readGaps = (text: string): GapPiece[] =>
  text
    .split(/(\[[^\]]*\])/)
    .filter((piece) => piece !== "")
    .map((piece) => (/^\[.*\]$/.test(piece) ? { gap: piece.slice(1, -1).trim() } : piece));

export const writeGaps = (pieces: readonly GapPiece[]): string =>
  pieces.map((piece) => (typeof piece === "string" ? piece : `[${piece.gap}]`)).join("");

interface SelectPiece {
  readonly text: string;
  readonly id?: string;
  readonly right?: boolean;
  readonly misconceptionId?: string;
}

/**
 * A text in which something is to be found, as it is typed: what can be selected in brackets, a star where it is right. What was named
 * before keeps its name, so that answers to it still mean the same.
 * @example readSelect("The [*boats] lay.", []) // [{ text: "The " }, { text: "boats", id: "w1", right: true }, { text: " lay." }]
 */
export function readSelect(text: string, before: readonly SelectPiece[]): SelectPiece[] {
  const used = new Set<string>();
  let number = 0;
  const nameFor = (word: string): SelectPiece => {
    const known = before.find((piece) => piece.id !== undefined && piece.text === word && !used.has(piece.id));
    if (known?.id) {
      used.add(known.id);
      return known;
    }
    do number++;
    while (used.has(`w${number}`) || before.some(({ id }) => id === `w${number}`));
    used.add(`w${number}`);
    return { text: word, id: `w${number}` };
  };
  return text
    .split(/(\[[^\]]*\])/)
    .filter((piece) => piece !== "")
    .map((piece) => {
      if (!/^\[.*\]$/.test(piece)) return { text: piece };
      const right = piece.startsWith("[*");
      return { ...nameFor(piece.slice(right ? 2 : 1, -1)), right };
    });
}

export const writeSelect = (pieces: readonly SelectPiece[]): string =>
  pieces.map(({ text, id, right }) => (id === undefined ? text : `[${right ? "*" : ""}${text}]`)).join("");
