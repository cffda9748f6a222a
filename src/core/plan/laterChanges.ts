/** What of a slot may be taken over from the one that it was copied from. */
export interface CopiedSlot<Content> {
  readonly id: string;
  /** The slot that it was copied from; null for one that was made here. */
  readonly originId: string | null;
  /** How the original stood when it was copied, or taken over last. */
  readonly originWas: Content | null;
  readonly content: Content;
}

/** A change of the original since: in a slot, a new slot, or one that is gone. `clash`: it was changed here too. */
export type LaterChange<Content> =
  | {
      readonly what: "changed";
      readonly slotId: string;
      readonly originId: string;
      readonly to: Content;
      readonly clash: boolean;
    }
  | { readonly what: "new"; readonly originId: string; readonly afterOriginId: string | null; readonly to: Content }
  | { readonly what: "gone"; readonly slotId: string; readonly originId: string; readonly clash: boolean };

/**
 * What became of a plan since it was copied, slot by slot in the original's order, then what is gone from it. What was taken out of the copy is
 * offered again only if `leftOut` does not name it.
 * @example laterChanges([{ id: "x", originId: "o", originWas: "1 lesson", content: "1 lesson" }], [{ id: "o", content: "2 lessons" }], new Set(), Object.is)[0]?.what // "changed"
 */
export function laterChanges<Content>(
  copy: readonly CopiedSlot<Content>[],
  original: readonly { readonly id: string; readonly content: Content }[],
  leftOut: ReadonlySet<string>,
  isSame: (one: Content, other: Content) => boolean,
): readonly LaterChange<Content>[] {
  const byOrigin = new Map(copy.flatMap((slot) => (slot.originId === null ? [] : [[slot.originId, slot] as const])));
  const there = new Set(original.map(({ id }) => id));
  const changedHere = ({ originWas, content }: CopiedSlot<Content>) =>
    originWas !== null && !isSame(originWas, content);
  const since = original.flatMap(({ id: originId, content: to }, place): LaterChange<Content>[] => {
    const own = byOrigin.get(originId);
    if (!own) {
      const afterOriginId = original[place - 1]?.id ?? null;
      return leftOut.has(originId) ? [] : [{ what: "new", originId, afterOriginId, to }];
    }
    if (own.originWas !== null && isSame(own.originWas, to)) return [];
    if (isSame(own.content, to)) return [];
    return [{ what: "changed", slotId: own.id, originId, to, clash: changedHere(own) }];
  });
  const gone = copy.flatMap((slot): LaterChange<Content>[] =>
    slot.originId === null || there.has(slot.originId)
      ? []
      : [{ what: "gone", slotId: slot.id, originId: slot.originId, clash: changedHere(slot) }],
  );
  return [...since, ...gone];
}
