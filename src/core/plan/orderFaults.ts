/** A slot of a plan with the skills that are taught in it. */
export interface TaughtSlot {
  readonly id: string;
  readonly skillIds: readonly string[];
}

/** A skill that is planned before what it builds on, and the slot behind which it would have to move. */
export interface OrderFault {
  readonly slotId: string;
  readonly skillId: string;
  /** What it builds on, and the slot in which that is taught later. */
  readonly buildsOnId: string;
  readonly laterSlotId: string;
}

/**
 * Slots that come before what they build on, in the order of the plan. What is planned nowhere is no fault of the order: it may have been taught
 * in an earlier year.
 * @param prerequisitesOf what a skill builds on directly
 * @example orderFaults([{ id: "1", skillIds: ["b"] }, { id: "2", skillIds: ["a"] }], (id) => (id === "b" ? ["a"] : []))[0]?.laterSlotId // "2"
 */
export function orderFaults(
  slots: readonly TaughtSlot[],
  prerequisitesOf: (skillId: string) => readonly string[],
): readonly OrderFault[] {
  const firstPlace = new Map<string, number>();
  for (const [place, { skillIds }] of slots.entries())
    for (const id of skillIds) if (!firstPlace.has(id)) firstPlace.set(id, place);
  return slots.flatMap(({ id: slotId, skillIds }, place) =>
    skillIds.flatMap((skillId) => {
      // A skill that comes again later is taught at its first place.
      if (firstPlace.get(skillId) !== place) return [];
      return prerequisitesOf(skillId).flatMap((buildsOnId): OrderFault[] => {
        const later = firstPlace.get(buildsOnId);
        const laterSlotId = later === undefined || later <= place ? undefined : slots[later]?.id;
        return laterSlotId === undefined ? [] : [{ slotId, skillId, buildsOnId, laterSlotId }];
      });
    }),
  );
}
