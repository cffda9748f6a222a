/** Columns of a sheet of items, a row each. */
export const ITEM_COLUMNS = [
  "id",
  "question",
  "kind",
  "answer",
  "wrong",
  "mistake",
  "unit",
  "tolerance",
  "hint",
  "explanation",
  "skill",
  "standards",
  "depth",
  "calculator",
  "language",
] as const;
export type ItemColumn = (typeof ITEM_COLUMNS)[number];

/** Wrong answers that a row has room for, each with the mistake that it shows. */
export const MOST_WRONG = 7;
