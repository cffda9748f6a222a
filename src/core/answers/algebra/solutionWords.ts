/** Words that stand for a whole answer, as people write them; read only. Other languages add theirs. */
const NONE =
  /^(?:(?:there (?:is|are) )?no (?:real )?(?:solutions?|answers?|numbers?)|none|no|never(?: true)?|empty set|∅|\{ ?\}|\( ?\))$/;
const EVERY =
  /^(?:x ?= ?)?(?:all|any|every|each)(?: the)?(?: real)? (?:numbers?|values?|reals?)(?: works?)?$|^(?:infinite(?:ly many)?|endless(?:ly many)?)(?: solutions?| answers?)?$|^all reals$|^always(?: true)?$|^identity$|^ℝ$/;

/**
 * What an answer in words says: that nothing solves the relation, or every number does; null for any other text.
 * @example readSolutionWords("No solution.") // "none"
 */
export function readSolutionWords(text: string): "none" | "every" | null {
  const bare = text.toLowerCase().replace(/\s+/g, " ").trim().replace(/[.!]$/, "");
  if (NONE.test(bare)) return "none";
  return EVERY.test(bare) ? "every" : null;
}
