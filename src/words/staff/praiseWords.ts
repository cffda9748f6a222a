/** Why somebody deserves a word, as a code of the week's report. */
type Praise =
  | { readonly code: "through"; readonly pieces: number; readonly expected: number }
  | { readonly code: "cleared-alone"; readonly skill: string }
  | { readonly code: "momentum"; readonly percent: number };

/** Why somebody deserves a word, as teachers read it. */
export function praiseWords(praise: Praise): string {
  if (praise.code === "through")
    return `finished ${praise.pieces} pieces where ${praise.expected} ${praise.expected === 1 ? "was" : "were"} expected`;
  if (praise.code === "cleared-alone") return `came through in ${praise.skill} alone`;
  return `worked ${praise.percent} % longer than in the three weeks before`;
}
