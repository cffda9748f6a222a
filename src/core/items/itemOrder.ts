import type { DrawnItem, DrawnPart } from "./drawItem";
import { roomOf } from "./rooms";

/** Stable ids in the order of showing, by part; parts without an order are left out. */
export type ItemOrder = Readonly<Record<string, readonly string[]>>;

/** The order in which an item's options stand, to be kept with what was shown; null where nothing has an order. */
export function orderOf(item: DrawnItem): ItemOrder | null {
  const ordered = item.parts.flatMap(({ id, kind, drawn }) => {
    const ids = roomOf(kind).order(drawn);
    return ids.length === 0 ? [] : [[id, ids] as const];
  });
  return ordered.length === 0 ? null : Object.fromEntries(ordered);
}

/** The same item with its options in an order kept from before; itself when they stand so already. */
export function inOrder(item: DrawnItem, order: ItemOrder | null): DrawnItem {
  if (order === null) return item;
  const parts = item.parts.map((part): DrawnPart => {
    const [room, wanted] = [roomOf(part.kind), order[part.id]];
    const same = !wanted || room.order(part.drawn).every((id, place) => id === wanted[place]);
    return same ? part : { ...part, drawn: room.inOrder(part.drawn, wanted) as DrawnPart["drawn"] };
  });
  return parts.every((part, place) => part === item.parts[place]) ? item : { ...item, parts };
}
