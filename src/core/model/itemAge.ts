/** How long an item has been in the library, the shortest first; the last has no end. */
export const ITEM_AGES = [
  { age: "week", days: 7 },
  { age: "month", days: 31 },
  { age: "year", days: 366 },
  { age: "older", days: null },
] as const;
export type ItemAge = (typeof ITEM_AGES)[number]["age"];
