import type { TableSheet } from "@/formats/table/tableSheet";
import type { MistakesView } from "../mistakeTypes";

/** The table of known mistakes: who shows each, and how it goes from week to week. */
export function mistakeSheets(view: MistakesView): TableSheet[] {
  return [
    {
      name: "Mistakes",
      title: "Which ideas go wrong?",
      columns: [
        { title: "Mistake", holds: "text" },
        { title: "Skill", holds: "text" },
        { title: "Grade", holds: "number" },
        { title: "Students not Secure today", holds: "number" },
        { title: "Secure since", holds: "number" },
        ...view.weeks.map((week) => ({ title: `Students, week of ${week}`, holds: "number" as const })),
        { title: "Students in the days before", holds: "number" },
        { title: "Who", holds: "text", names: true },
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
