/** Parts of a reteach in their order. */
export type ReteachPart = "look" | "show" | "together" | "alone" | "further" | "exit";

/** The slots, in minutes, that a reteach can be fitted to. */
export const RETEACH_SLOTS = [10, 15, 25] as const;
export type ReteachSlot = (typeof RETEACH_SLOTS)[number];
export const USUAL_SLOT: ReteachSlot = 15;

const MINUTES: Readonly<Record<ReteachSlot, Readonly<Partial<Record<ReteachPart, number>>>>> = {
  10: { look: 2, show: 4, alone: 2, exit: 2 },
  15: { look: 2, show: 4, together: 3, alone: 3, exit: 3 },
  25: { look: 4, show: 6, together: 4, alone: 4, further: 4, exit: 3 },
};

/**
 * Which parts of a reteach fit a slot, in their order, with their minutes, which make up the slot. The shortest one goes without
 * working together; only the longest one goes a step further.
 * @example reteachParts(10).map(({ part }) => part) // ["look", "show", "alone", "exit"]
 */
export const reteachParts = (slot: ReteachSlot): { readonly part: ReteachPart; readonly minutes: number }[] =>
  Object.entries(MINUTES[slot]).map(([part, minutes]) => ({ part: part as ReteachPart, minutes }));

/**
 * The slot that some minutes name; the usual one for anything else.
 * @example slotOf("25") // 25
 */
export const slotOf = (written: string | undefined): ReteachSlot =>
  RETEACH_SLOTS.find((slot) => String(slot) === written) ?? USUAL_SLOT;
