/**
 * How much of the counted part of a plan is done: skills that are mastered of all that count; extras never count. Null where nothing counts.
 * @example shareDone([{ counted: true, skipped: false, skillIds: ["a", "b"] }, { counted: false, skipped: false, skillIds: ["c"] }], (id) => id !== "b") // { done: 1, of: 2 }
 */
export function shareDone(
  slots: readonly { readonly counted: boolean; readonly skipped: boolean; readonly skillIds: readonly string[] }[],
  isMastered: (skillId: string) => boolean,
): { readonly done: number; readonly of: number } | null {
  const counted = new Set(slots.flatMap(({ counted, skipped, skillIds }) => (counted && !skipped ? skillIds : [])));
  if (counted.size === 0) return null;
  return { done: [...counted].filter(isMastered).length, of: counted.size };
}
