import "server-only";
import { drawItem } from "@/core/items/drawItem";
import type { ItemBody } from "@/core/items/itemBody";

const LETTERS = 90;

/** The stem of one draw in a line; as it was typed where nothing can be drawn. */
export function plainLine(body: ItemBody): string {
  const words = () => {
    try {
      return drawItem({ id: "", itemId: "", body }, 0).stem;
    } catch {
      return body.stem;
    }
  };
  const line = words().replace(/\s+/g, " ").trim();
  return line.length > LETTERS ? `${line.slice(0, LETTERS - 1)}…` : line;
}
