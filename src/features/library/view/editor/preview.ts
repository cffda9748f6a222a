import type { ComponentType } from "react";
import type { LookedItem } from "@/core/items/lookOver";
import type { Passage } from "@/core/items/passage";

/** How the student's view of a draw is shown and tried; it comes from where students' pages are made. */
export type Preview = ComponentType<{
  readonly item: Pick<LookedItem, "stem" | "images" | "table" | "parts"> & { readonly passage?: Passage | null };
  readonly judge: (response: object) => Promise<{ readonly words: string }>;
}>;
