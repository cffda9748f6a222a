import type { LaterChange } from "./laterChanges";

/** A slot of a copy, with what it was copied from. */
interface CopiedSlot<Content> {
  readonly id: string;
  readonly originId: string | null;
  readonly originWas: Content | null;
}

/**
 * The slots of a copy after later changes of the original were taken over, or turned down: what is turned down is not offered again, and a slot whose original
 * is gone becomes the copy's own. A new slot comes behind the one that it follows in the original, or else at the front; every other slot keeps its place.
 * @param withContent the same slot with other content
 * @param made a slot of its own for one that is new in the original
 * @returns the slots, and originals that are known from now on though no slot holds them
 * @example takeOver([{ id: "x", originId: "o", originWas: 1 }], [{ change: { what: "gone", slotId: "x", originId: "o", clash: false }, taken: true }], (slot) => slot, (originId) => ({ id: "new", originId, originWas: 1 })).slots // []
 */
export function takeOver<Content, Slot extends CopiedSlot<Content>>(
  slots: readonly Slot[],
  changes: readonly { readonly change: LaterChange<Content>; readonly taken: boolean }[],
  withContent: (slot: Slot, content: Content) => Slot,
  made: (originId: string, content: Content) => Slot,
): { readonly slots: readonly Slot[]; readonly known: readonly string[] } {
  let after = slots;
  const known: string[] = [];
  for (const { change, taken } of changes) {
    const { originId } = change;
    if (change.what === "new") {
      known.push(originId);
      if (!taken) continue;
      const place = after.findIndex((slot) => slot.originId === change.afterOriginId && slot.originId !== null);
      after = [...after.slice(0, place + 1), made(originId, change.to), ...after.slice(place + 1)];
    } else if (change.what === "gone" && taken) {
      after = after.filter(({ id }) => id !== change.slotId);
    } else {
      after = after.map((slot) => {
        if (slot.id !== change.slotId) return slot;
        if (change.what === "gone") return { ...slot, originId: null, originWas: null };
        return { ...(taken ? withContent(slot, change.to) : slot), originWas: change.to };
      });
    }
  }
  return { slots: after, known };
}
