/**
 * The hints of one item, from a nudge to nearly all of it. The item's own speaks of its numbers and so tells the most: it comes last, after the
 * first two of its skill. An item that borrows a hint of its skill gets all of them; one without a hint of its own gets none.
 * @param own the item's hint; empty for none
 * @param ofSkill the skill's ladder, or null where nobody wrote one
 * @example hintLadder("Divide 12 by 3.", ["Draw it.", "Look for one share.", "Share out, then count one share."]) // ["Draw it.", "Look for one share.", "Divide 12 by 3."]
 */
export function hintLadder(own: string, ofSkill: readonly string[] | null): readonly string[] {
  if (own === "") return [];
  if (ofSkill === null) return [own];
  return ofSkill.includes(own) ? ofSkill : [...ofSkill.slice(0, 2), own];
}
