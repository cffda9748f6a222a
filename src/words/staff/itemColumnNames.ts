import type { ItemColumn } from "@/core/items/itemColumn";

/** The columns of a sheet of items as we call them, on the page and in sheets that we write. */
export const ITEM_COLUMN_NAMES: Readonly<Record<ItemColumn, string>> = {
  id: "Id",
  question: "Question",
  kind: "Kind",
  answer: "Answer",
  wrong: "Wrong",
  mistake: "Mistake",
  unit: "Unit",
  tolerance: "Tolerance",
  hint: "Hint",
  explanation: "Explanation",
  skill: "Skill",
  standards: "Standards",
  depth: "Depth",
  calculator: "Calculator",
  language: "Language",
};

export const ITEM_SHEET_TITLE = "Items";
