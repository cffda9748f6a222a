import type { TableSheet } from "@/formats/table/tableSheet";
import type { GainView } from "../gainTypes";

const tenth = (share: number | null): number | null => (share === null ? null : Math.round(share * 1000) / 10);

export const CHANGE_WORDS = { up: "gain", down: "loss", "within-error": "may be luck" } as const;

/** The gain by student and by standard. */
export function gainSheets(view: GainView): TableSheet[] {
  const number = (title: string) => ({ title, holds: "number" as const });
  return [
    {
      name: "Students",
      title: "What has each student gained?",
      columns: [
        { title: "Student", holds: "text", names: true },
        number("Before, as marked (%)"),
        number("Before, as hard as after (%)"),
        number("After (%)"),
        number("Difference (points)"),
        number("From"),
        number("To"),
        { title: "Change", holds: "text" },
        number("Of what was open (%)"),
      ],
      rows: view.students.map((one) => [
        one.name,
        tenth(one.beforeAsMarked),
        tenth(one.before),
        tenth(one.after),
        tenth(one.difference),
        tenth(one.low),
        tenth(one.high),
        CHANGE_WORDS[one.change],
        tenth(one.normalised),
      ]),
    },
    {
      name: "Standards",
      title: "What has been gained in each standard?",
      columns: [
        { title: "Standard", holds: "text" },
        { title: "Statement", holds: "text" },
        number("Before (%)"),
        number("After (%)"),
        number("By easier items (points)"),
        number("Gained (points)"),
        number("From"),
        number("To"),
        number("Students"),
      ],
      rows: view.standards.map((one) => [
        one.code,
        one.words,
        tenth(one.before),
        tenth(one.after),
        tenth(one.byItems),
        tenth(one.gained),
        tenth(one.low),
        tenth(one.high),
        one.n,
      ]),
    },
  ];
}
