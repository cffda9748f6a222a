import type { ItemResponse } from "./checkItem";
import type { DrawnItem } from "./drawItem";
import { roomOf } from "./rooms";

/** The response that earns everything. */
export const rightResponse = (item: DrawnItem): ItemResponse =>
  Object.fromEntries(item.parts.map(({ id, kind, drawn }) => [id, roomOf(kind).rightResponse(drawn)]));

/** Wrong responses to a drawn item that a known misconception explains: one part as it suggests, the others right. */
export function tellingMistakes(
  item: DrawnItem,
): { readonly misconceptionId: string; readonly partId: string; readonly response: ItemResponse }[] {
  const right = rightResponse(item);
  return item.parts.flatMap(({ id, kind, drawn }) =>
    roomOf(kind)
      .mistakes(drawn)
      .map(({ misconceptionId, response }) => ({
        misconceptionId,
        partId: id,
        response: { ...right, [id]: response },
      })),
  );
}
