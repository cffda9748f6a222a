/** What a part of an item asks for. Each has a room of its own beside this file (see `rooms`). */
export const ITEM_KINDS = [
  "number",
  "single-choice",
  "multiple-choice",
  "short-text",
  "inline-choice",
  "order",
  "matching",
  "select-words",
  "number-line",
  "grid",
  "shading",
  "expression",
  "steps",
  "written",
] as const;
export type ItemKind = (typeof ITEM_KINDS)[number];

/**
 * Whether something is the name of a kind.
 * @example isItemKind("grid") // true
 */
export const isItemKind = (value: unknown): value is ItemKind => ITEM_KINDS.some((kind) => kind === value);
