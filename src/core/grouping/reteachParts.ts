import type { Approach } from "../model/reteach";

/** Parts of a reteach in their order: `model` and `steps` stand in the place of `show`, by the approach. */
export type ReteachPart = "look" | "show" | "model" | "steps" | "together" | "alone" | "further" | "exit";

/** The slots, in minutes, that a reteach can be fitted to. */
export const RETEACH_SLOTS = [10, 15, 25] as const;
export type ReteachSlot = (typeof RETEACH_SLOTS)[number];
export const USUAL_SLOT: ReteachSlot = 15;

const MINUTES: Readonly<Record<ReteachSlot, Readonly<Partial<Record<ReteachPart, number>>>>> = {
  10: { look: 2, show: 4, alone: 2, exit: 2 },
  15: { look: 2, show: 4, together: 3, alone: 3, exit: 3 },
  25: { look: 4, show: 6, together: 4, alone: 4, further: 4, exit: 3 },
};

/** What an approach puts in the place of showing with things. */
const INSTEAD: Readonly<Partial<Record<Approach, ReteachPart>>> = { model: "model", steps: "steps" };

/**
 * Which parts of a reteach fit a slot, in their order, with their minutes, which make up the slot. The shortest one goes without
 * working together; only the longest one goes a step further. Who starts from wrong answers gives them the time of showing.
 * @example reteachParts(10).map(({ part }) => part) // ["look", "show", "alone", "exit"]
 */
export function reteachParts(
  slot: ReteachSlot,
  approach: Approach = "things",
): { readonly part: ReteachPart; readonly minutes: number }[] {
  const parts = Object.entries(MINUTES[slot]).map(([part, minutes]) => ({ part: part as ReteachPart, minutes }));
  if (approach === "own-answers") {
    const shown = MINUTES[slot].show ?? 0;
    return parts.flatMap(({ part, minutes }) =>
      part === "show" ? [] : [{ part, minutes: part === "look" ? minutes + shown : minutes }],
    );
  }
  return parts.map(({ part, minutes }) => ({ part: part === "show" ? (INSTEAD[approach] ?? part) : part, minutes }));
}

/**
 * The slot that some minutes name; the usual one for anything else.
 * @example slotOf("25") // 25
 */
export const slotOf = (written: string | undefined): ReteachSlot =>
  RETEACH_SLOTS.find((slot) => String(slot) === written) ?? USUAL_SLOT;
