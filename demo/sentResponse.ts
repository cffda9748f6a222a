import type { ItemResponse } from "@/core/items/checkItem";
import type { DrawnItem } from "@/core/items/drawItem";
import { optionLetter } from "@/core/items/drawOptions";
import { roomOf } from "@/core/items/rooms";

/** A response as a browser would send it: options by the letter under which they stood on the screen. */
export function sentResponse(item: DrawnItem, response: ItemResponse): ItemResponse {
  return Object.fromEntries(
    item.parts.flatMap(({ id, kind, drawn }) => {
      if (response[id] === undefined) return [];
      const order = roomOf(kind).order(drawn);
      const letterOf = (value: unknown): unknown => {
        if (Array.isArray(value)) return value.map(letterOf);
        const place = typeof value === "string" ? order.indexOf(value) : -1;
        return place < 0 ? value : optionLetter(place);
      };
      const own = Object.entries(response[id] as object).map(([name, value]) => [name, letterOf(value)]);
      return [[id, Object.fromEntries(own)]];
    }),
  );
}
