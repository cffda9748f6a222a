import { percentDown } from "@/core/measurement/percentDown";
import { rational } from "@/core/numeric/rational";
import type { TableSheet } from "@/formats/table/tableSheet";
import type { MarkCell, MarksView } from "../marksTypes";

/** A mark in whole per cent, rounded down as everywhere. */
export const percentOf = (mark: string | null): number | null => (mark === null ? null : percentDown(rational(mark)));

/** Points earned of those possible, to hundredths. */
const pointsOf = (mark: string | null, points: number): number | null =>
  mark === null ? null : Math.floor(rational(mark).mul(points).mul(100).valueOf()) / 100;

const STATE_WORDS: Readonly<Record<MarkCell["state"], string>> = {
  marked: "",
  excused: "excused",
  absent: "absent",
  none: "not handed in",
  nought: "nought",
  open: "open",
  "to-score": "to score",
};
export const cellWords = ({ state }: MarkCell): string => STATE_WORDS[state];

/** The marks as tables: one row a student, and one row a mark with its tries. */
export function markSheets(view: MarksView): TableSheet[] {
  const many = new Set(view.rows.map(({ className }) => className)).size > 1;
  const name = (title: string, className: string) => (many ? `${title} (${className})` : title);
  return [
    {
      name: "Marks",
      title: "What do the marks come to?",
      columns: [
        { title: "Student", holds: "text", names: true },
        ...(many ? [{ title: "Class", holds: "text" as const }] : []),
        ...view.columns.map(({ title, className }) => ({
          title: `${name(title, className)} (%)`,
          holds: "number" as const,
        })),
        ...view.categories.map((category) => ({
          title: `Average of ${category || "work without a category"} (%)`,
          holds: "number" as const,
        })),
        { title: "Average (%)", holds: "number" },
      ],
      rows: view.rows.map((row) => [
        row.name,
        ...(many ? [row.className] : []),
        ...row.cells.map((cell) => (cell === null ? null : cell.state === "nought" ? 0 : percentOf(cell.mark))),
        ...row.byCategory.map(percentOf),
        percentOf(row.average),
      ]),
    },
    {
      name: "Each mark",
      title: "What does each mark stand on?",
      columns: [
        { title: "Student", holds: "text", names: true },
        { title: "Work", holds: "text" },
        { title: "Category", holds: "text" },
        { title: "State", holds: "text" },
        { title: "Mark (%)", holds: "number" },
        { title: "Points", holds: "number" },
        { title: "Of points", holds: "number" },
        { title: "First try (%)", holds: "number" },
        { title: "Best (%)", holds: "number" },
        { title: "Tries", holds: "number" },
        { title: "Late", holds: "text" },
      ],
      rows: view.rows.flatMap((row) =>
        row.cells.flatMap((cell, place) => {
          const column = view.columns[place];
          if (!cell || !column) return [];
          return [
            [
              row.name,
              name(column.title, column.className),
              column.category,
              cellWords(cell),
              cell.state === "nought" ? 0 : percentOf(cell.mark),
              cell.state === "nought" ? 0 : pointsOf(cell.mark, column.points),
              column.points,
              percentOf(cell.first),
              percentOf(cell.best),
              cell.tries,
              cell.late ? "late" : "",
            ],
          ];
        }),
      ),
    },
    {
      name: "Pieces",
      title: "How did each piece of work go?",
      columns: [
        { title: "Work", holds: "text" },
        { title: "Category", holds: "text" },
        { title: "Due", holds: "text" },
        { title: "Points", holds: "number" },
        { title: "Marks", holds: "number" },
        { title: "Mean (%)", holds: "number" },
        { title: `At or above ${view.line} %`, holds: "number" },
      ],
      rows: view.columns.map((column) => [
        name(column.title, column.className),
        column.category,
        column.due ?? "",
        column.points,
        column.n,
        percentOf(column.mean),
        column.atLine,
      ]),
    },
  ];
}
