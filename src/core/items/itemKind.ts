/** What a part of an item asks for. Each has a room of its own beside this file (see `rooms`). */
export const ITEM_KINDS = ["number", "single-choice", "multiple-choice", "short-text"] as const;
export type ItemKind = (typeof ITEM_KINDS)[number];
