import { ITEM_COLUMNS, type ItemColumn, MOST_WRONG } from "@/core/items/itemColumn";
import type { ItemCells } from "./itemCells";

/** Wrong answers that a sheet has columns for, also where no item has so many. */
const LEAST_WRONG = 3;

/** Headers and rows of a sheet of items; as many columns of wrong answers as any item needs. `nameOf` says what a column is called. */
export function itemSheetRows(rows: readonly ItemCells[], nameOf: (column: ItemColumn) => string): string[][] {
  const most = Math.min(MOST_WRONG, Math.max(LEAST_WRONG, ...rows.map(({ wrong }) => wrong.length)));
  const places = Array.from({ length: most }, (_, place) => place);
  // Each mistake stands beside its wrong answer.
  const headers = ITEM_COLUMNS.flatMap((column) => {
    if (column === "mistake") return [];
    if (column !== "wrong") return [nameOf(column)];
    return places.flatMap((place) => [`${nameOf("wrong")} ${place + 1}`, `${nameOf("mistake")} ${place + 1}`]);
  });
  const cellsOf = (cells: ItemCells) =>
    ITEM_COLUMNS.flatMap((column) => {
      if (column === "mistake") return [];
      if (column !== "wrong") return [cells[column]];
      return places.flatMap((place) => [cells.wrong[place]?.text ?? "", cells.wrong[place]?.mistake ?? ""]);
    });
  return [headers, ...rows.map(cellsOf)];
}
