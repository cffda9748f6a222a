import type { SlotDates, TimedSlot } from "./datesOfSlots";

/** What happens to the slots behind one that moves, grows, goes or comes. */
export type Behind = "move-along" | "keep-dates";

/**
 * The slots with one of them at another place (0 is the first); none is lost, and the others keep their order among themselves. A place beyond the ends
 * is the nearest end; a slot that is not there changes nothing. A day of its own that the slot had is given up, since it belonged to its old place.
 * @example slotAt([{ id: "a", lessons: 1, fromDay: null, skipped: false }, { id: "b", lessons: 1, fromDay: null, skipped: false }], "b", 0).map(({ id }) => id) // ["b", "a"]
 */
export function slotAt<Slot extends TimedSlot>(slots: readonly Slot[], id: string, place: number): readonly Slot[] {
  const moved = slots.find((slot) => slot.id === id);
  if (!moved) return slots;
  const others = slots.filter((slot) => slot !== moved);
  const at = Math.min(others.length, Math.max(0, place));
  const free = moved.fromDay === null ? moved : { ...moved, fromDay: null };
  return [...others.slice(0, at), free, ...others.slice(at)];
}

/**
 * The slots behind a place, each with the day on which it began before as a day of its own: what happens in front of them moves them no more, unless there
 * is no room left.
 * @example keepDates([{ id: "a", lessons: 1, fromDay: null, skipped: false }], [{ id: "a", dates: { fromDay: "2026-11-23", targetDay: "2026-11-23" } }], 0)[0]?.fromDay // "2026-11-23"
 */
export function keepDates<Slot extends TimedSlot>(
  slots: readonly Slot[],
  before: readonly SlotDates[],
  fromPlace: number,
): readonly Slot[] {
  const began = new Map(before.map(({ id, dates }) => [id, dates?.fromDay ?? null]));
  return slots.map((slot, place) => {
    const day = began.get(slot.id) ?? null;
    return place < fromPlace || day === null ? slot : { ...slot, fromDay: day };
  });
}
