/** A piece of a text with gaps: words, or a gap by its id. */
export type Piece = string | { readonly gap: string };

/**
 * Words next to each other as one; white space at either end is the document's own and left out.
 * @example joinedPieces([" A ", "b ", { gap: "g" }, " "]) // ["A b ", { gap: "g" }]
 */
export function joinedPieces(pieces: readonly Piece[]): Piece[] {
  const all: Piece[] = [];
  for (const piece of pieces) {
    const last = all.at(-1);
    if (typeof piece === "string" && typeof last === "string")
      all[all.length - 1] = `${last}${piece}`.replace(/\s+/g, " ");
    else all.push(piece);
  }
  return all
    .map((piece, place) => {
      if (typeof piece !== "string") return piece;
      const begun = place === 0 ? piece.trimStart() : piece;
      return place === all.length - 1 ? begun.trimEnd() : begun;
    })
    .filter((piece) => piece !== "");
}
