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
        { title: "Student", kind: "text", names: true },
        ...(many ? [{ title: "Class", kind: "text" as const }] : []),
        ...view.columns.map(({ title, className }) => ({
          title: `${name(title, className)} (%)`,
          kind: "number" as const,
        })),
        ...view.categories.map((category) => ({
          title: `Average of ${category || "work without a category"} (%)`,
          kind: "number" as const,
        })),
        { title: "Average (%)", kind: "number" },
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
        { title: "Student", kind: "text", names: true },
        { title: "Work", kind: "text" },
        { title: "Category", kind: "text" },
        { title: "State", kind: "text" },
        { title: "Mark (%)", kind: "number" },
        { title: "Points", kind: "number" },
        { title: "Of points", kind: "number" },
        { title: "First try (%)", kind: "number" },
        { title: "Best (%)", kind: "number" },
        { title: "Tries", kind: "number" },
        { title: "Late", kind: "text" },
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
        { title: "Work", kind: "text" },
        { title: "Category", kind: "text" },
        { title: "Due", kind: "text" },
        { title: "Points", kind: "number" },
        { title: "Marks", kind: "number" },
        { title: "Mean (%)", kind: "number" },
        { title: `At or above ${view.line} %`, kind: "number" },
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
