import "server-only";
/** A choice written into a text: what stands there, whether it is right, and the misconception that it shows. */
export interface Marked {
  readonly text: string;
  readonly right: boolean;
  readonly misconception: string | null;
}

/** A text with choices in square brackets, `[=right]`, `[wrong]` or `[wrong>misconception]`, several of them divided by `|`. */
export type MarkedPiece = string | readonly Marked[];

const BRACKET = /\[([^[\]]+)\]/g;

/**
 * The pieces of a text with choices in square brackets.
 * @example markedPieces("Its [=tail|tale>sounds-alike] wags.")[0] // "Its "
 */
export function markedPieces(text: string): MarkedPiece[] {
  const pieces: MarkedPiece[] = [];
  let from = 0;
  for (const match of text.matchAll(BRACKET)) {
    if (match.index > from) pieces.push(text.slice(from, match.index));
    pieces.push((match[1] ?? "").split("|").map(markedOf));
    from = match.index + match[0].length;
  }
  if (from < text.length) pieces.push(text.slice(from));
  return pieces;
}

function markedOf(written: string): Marked {
  const right = written.startsWith("=");
  const [text = "", misconception = null] = written.slice(right ? 1 : 0).split(">");
  return { text, right, misconception };
}
