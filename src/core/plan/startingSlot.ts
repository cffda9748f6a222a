/**
 * The slot at which a student begins a plan: the first with a skill whose chance of mastery lies under `reached`, since what lies before is there
 * already; the last one where all are. Null for a plan without skills.
 * @example startingSlot([{ id: "1", skillIds: ["a"] }, { id: "2", skillIds: ["b"] }], (id) => (id === "a" ? 0.9 : 0.2), 0.8) // "2"
 */
export function startingSlot(
  slots: readonly { readonly id: string; readonly skillIds: readonly string[] }[],
  chanceOf: (skillId: string) => number,
  reached: number,
): string | null {
  const taught = slots.filter(({ skillIds }) => skillIds.length > 0);
  const open = taught.find(({ skillIds }) => skillIds.some((id) => chanceOf(id) < reached));
  return (open ?? taught.at(-1))?.id ?? null;
}

/**
 * The slot at which students of a grade begin: the first that teaches a skill of it or of a later one. Null for a plan without skills.
 * @example startingSlotOfGrade([{ id: "1", skillIds: ["a"] }, { id: "2", skillIds: ["b"] }], (id) => (id === "a" ? 5 : 6), 6) // "2"
 */
export function startingSlotOfGrade(
  slots: readonly { readonly id: string; readonly skillIds: readonly string[] }[],
  gradeOf: (skillId: string) => number,
  grade: number,
): string | null {
  const taught = slots.filter(({ skillIds }) => skillIds.length > 0);
  return (taught.find(({ skillIds }) => skillIds.some((id) => gradeOf(id) >= grade)) ?? taught.at(-1))?.id ?? null;
}
