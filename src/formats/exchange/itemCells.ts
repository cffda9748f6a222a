import type { ItemColumn } from "@/core/items/itemColumn";

/** Kinds of items as sheets call them. */
export type SheetKind = "choice" | "choices" | "number" | "text";

/** A row of a sheet of items: what may stand several times is a list. */
export type ItemCells = Readonly<Record<Exclude<ItemColumn, "wrong" | "mistake">, string>> & {
  readonly wrong: readonly { readonly text: string; readonly mistake: string }[];
};
