import type { TableSheet } from "@/formats/table/tableSheet";
import type { WeekView } from "../weekTypes";

export const STANDING_WORDS = {
  "on-course": "on course",
  time: "too little time",
  struggle: "enough time, and stuck",
} as const;
const tenth = (value: number) => Math.round(value * 10) / 10;

/** The weeks by student, and the snags behind them. */
export function weekSheets(view: WeekView): TableSheet[] {
  const number = (title: string) => ({ title, holds: "number" as const });
  const text = (title: string) => ({ title, holds: "text" as const });
  return [
    {
      name: "Weeks",
      title: "Who works, and who gets through?",
      columns: [
        { ...text("Student"), names: true },
        text("Week of"),
        text("Signed in"),
        number("Minutes"),
        number("Minutes expected"),
        number("Finished pieces"),
        number("Of them on grade"),
        number("Pieces expected"),
        text("Standing"),
      ],
      rows: view.students.flatMap((student) =>
        student.weeks.map((week, place) => [
          student.name,
          view.weeks[place]?.words ?? "",
          week.signedIn ? "yes" : "no",
          week.minutes,
          Math.round(week.expected.minutes),
          week.pieces,
          week.onGrade,
          tenth(week.expected.pieces),
          week.standing === null ? "nothing expected" : STANDING_WORDS[week.standing],
        ]),
      ),
    },
    {
      name: "Snags",
      title: "Where does more of the same not help?",
      columns: [
        { ...text("Student"), names: true },
        text("Skill"),
        text("Since"),
        number("Times"),
        text("State"),
        text("Cleared"),
        text("With the help of"),
        text("Goes on"),
      ],
      rows: view.snags.map((snag) => [
        snag.name,
        snag.skill,
        snag.since,
        snag.times,
        snag.state,
        snag.cleared ?? "",
        snag.state === "cleared" ? snag.helpers.join(", ") || "alone" : "",
        snag.goesOn ? "yes" : "no",
      ]),
    },
  ];
}
