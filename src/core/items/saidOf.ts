import type { ItemResponse } from "./checkItem";
import type { DrawnItem } from "./drawItem";
import type { ResponseNote } from "./room";
import { roomOf } from "./rooms";

/** What the rooms have to say of a response, part by part; nothing where all is right or nothing is known. */
export function saidOf(item: DrawnItem, response: ItemResponse): ResponseNote[] {
  return item.parts.flatMap(({ id, kind, drawn }) =>
    response[id] === undefined ? [] : (roomOf(kind).said?.(drawn, response[id]) ?? []),
  );
}
