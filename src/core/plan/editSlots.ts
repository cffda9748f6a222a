import type { SlotDates, TimedSlot } from "./datesOfSlots";
import { type Behind, keepDates, slotAt } from "./moveSlots";

/** One change of a plan's slots. */
export type SlotEdit<Slot extends TimedSlot> =
  | { readonly what: "move"; readonly slotId: string; readonly place: number }
  | { readonly what: "insert"; readonly slot: Slot; readonly place: number }
  | { readonly what: "remove"; readonly slotId: string }
  | { readonly what: "change"; readonly slotId: string; readonly values: Partial<Omit<Slot, "id">> };

/**
 * The slots after a change. What lies behind it moves along, or keeps the dates that it had, as far as there is room. A change of a slot that is not
 * there changes nothing, nor does putting in one that is there already.
 * @param before the dates as they stood
 * @example editSlots([{ id: "a", lessons: 1, fromDay: null, skipped: false }], { what: "change", slotId: "a", values: { lessons: 3 } }, "move-along", [])[0]?.lessons // 3
 */
export function editSlots<Slot extends TimedSlot>(
  slots: readonly Slot[],
  edit: SlotEdit<Slot>,
  behind: Behind,
  before: readonly SlotDates[],
): readonly Slot[] {
  const own = edit.what === "insert" ? edit.slot.id : edit.slotId;
  const place = slots.findIndex(({ id }) => id === own);
  if (edit.what === "insert" ? place >= 0 : place < 0) return slots;
  const edited = applied(slots, edit);
  if (behind === "move-along") return edited;
  const at = edited.findIndex(({ id }) => id === own);
  const from = edit.what === "move" ? Math.min(place, at) : place < 0 ? at : place;
  // The slot itself goes where it was put.
  return keepDates(edited, before, from).map((slot, n) => (n === at ? (edited[n] ?? slot) : slot));
}

function applied<Slot extends TimedSlot>(slots: readonly Slot[], edit: SlotEdit<Slot>): readonly Slot[] {
  switch (edit.what) {
    case "move":
      return slotAt(slots, edit.slotId, edit.place);
    case "insert": {
      const at = Math.min(slots.length, Math.max(0, edit.place));
      return [...slots.slice(0, at), edit.slot, ...slots.slice(at)];
    }
    case "remove":
      return slots.filter(({ id }) => id !== edit.slotId);
    case "change":
      return slots.map((slot) => (slot.id === edit.slotId ? { ...slot, ...edit.values } : slot));
  }
}
