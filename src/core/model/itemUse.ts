/** How often an item was given, and how that went: "few" answers say little yet. */
export const ITEM_USES = ["never", "few", "hard", "usual", "easy"] as const;
export type ItemUse = (typeof ITEM_USES)[number];

/**
 * From how many answers on the share right is spoken of, and what share, at the first try, marks an item as too hard or too easy to tell
 * students apart (the bounds of the item analysis, docs/measurement.md).
 */
export const ITEM_USE_AT = { answers: 20, hardBelow: 0.25, easyAbove: 0.95 } as const;
