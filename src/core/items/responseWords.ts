import type { ItemResponse } from "./checkItem";
import type { DrawnItem } from "./drawItem";
import { roomOf } from "./rooms";

/** What a student gave to each part, as it stood on the screen; parts left open are left out. */
export function responseWords(item: DrawnItem, response: ItemResponse): string[] {
  return item.parts.flatMap(({ id, kind, drawn }) =>
    response[id] === undefined ? [] : [roomOf(kind).responseWords(drawn, response[id])],
  );
}
