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
] as const;
export type ItemKind = (typeof ITEM_KINDS)[number];
