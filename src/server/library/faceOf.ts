import "server-only";
import type { DrawnItem } from "@/core/items/drawItem";
import type { Passage } from "@/core/items/passage";
import { roomOf } from "@/core/items/rooms";

/** An item as its student sees it: nothing in it tells the answer. */
export const faceOf = (drawn: DrawnItem, passage: Passage | null) => ({
  stem: drawn.stem,
  images: drawn.images,
  table: drawn.table,
  parts: drawn.parts.map((part) => ({
    id: part.id,
    kind: part.kind,
    prompt: part.prompt,
    shown: roomOf(part.kind).shown(part.drawn),
  })),
  passage,
});
