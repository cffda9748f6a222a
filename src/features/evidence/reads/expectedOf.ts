import "server-only";
import { askedText } from "@/core/items/askedText";
import type { DrawnItem } from "@/core/items/drawItem";
import { secondsFor } from "@/server/library/itemSeconds";

/** Whole seconds that an item as it was drawn is expected to take; 0 for one that the library does not hold any more. */
export function expectedOf(item: DrawnItem | null, grade: number | null): number {
  if (!item) return 0;
  const [first] = item.parts;
  return secondsFor({ line: askedText(item), grade, kind: item.parts.length === 1 && first ? first.kind : "several" });
}
