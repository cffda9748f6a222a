import { type ItemColumn, MOST_WRONG } from "@/core/items/itemColumn";
import type { ItemCells } from "./itemCells";

/** Headers and rows of a sheet of items; as many columns of wrong answers as any item needs. `nameOf` says what a column is called. */
export function itemSheetRows(rows: readonly ItemCells[], nameOf: (column: ItemColumn) => string): string[][] {
  const most = Math.min(MOST_WRONG, Math.max(3, ...rows.map(({ wrong }) => wrong.length)));
  const places = Array.from({ length: most }, (_, place) => place);
  const singles = (["id", "question", "kind", "answer"] as const).map((column) => column);
  const rest = [
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
  const headers = [
    ...singles.map(nameOf),
    ...places.flatMap((place) => [`${nameOf("wrong")} ${place + 1}`, `${nameOf("mistake")} ${place + 1}`]),
    ...rest.map(nameOf),
  ];
  return [
    headers,
    ...rows.map((cells) => [
      ...singles.map((column) => cells[column]),
      ...places.flatMap((place) => [cells.wrong[place]?.text ?? "", cells.wrong[place]?.mistake ?? ""]),
      ...rest.map((column) => cells[column]),
    ]),
  ];
}
