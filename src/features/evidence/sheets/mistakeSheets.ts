import type { TableSheet } from "@/formats/table/tableSheet";
import type { MistakesView } from "../mistakeTypes";

/** The table of known mistakes: who shows each, and how it goes from week to week. */
export function mistakeSheets(view: MistakesView): TableSheet[] {
  return [
    {
      name: "Mistakes",
      title: "Which ideas go wrong?",
      columns: [
        { title: "Mistake", kind: "text" },
        { title: "Skill", kind: "text" },
        { title: "Grade", kind: "number" },
        { title: "Students not Secure today", kind: "number" },
        { title: "Secure since", kind: "number" },
        ...view.weeks.map((week) => ({ title: `Students, week of ${week}`, kind: "number" as const })),
        { title: "Students in the days before", kind: "number" },
        { title: "Who", kind: "text", names: true },
      ],
      rows: view.lines.map((line) => [
        line.name,
        line.skill,
        line.grade,
        line.students.length,
        line.secureSince.length,
        ...line.weeks,
        line.before,
        line.students.map(({ name, times }) => (times > 1 ? `${name} (${times})` : name)).join(", "),
      ]),
    },
  ];
}
