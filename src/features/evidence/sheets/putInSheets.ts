import type { TableSheet } from "@/formats/table/tableSheet";
import { MOVE_WORDS } from "@/words/staff/putInWords";
import type { PutInView } from "../putInTypes";

const percent = (share: number | null): number | null => (share === null ? null : Math.round(share * 100));

/** What was put in and what came of it, by student and by part. */
export function putInSheets(view: PutInView): TableSheet[] {
  const number = (title: string) => ({ title, holds: "number" as const });
  return [
    {
      name: "Students",
      title: "What was put in, and what came of it?",
      columns: [
        { title: "Student", holds: "text", names: true },
        number("Active minutes"),
        number("Usual minutes"),
        number("Time (%)"),
        number("Lesson parts opened (%)"),
        number("Misses tried again (%)"),
        number("Not rapid (%)"),
        number("Put in, for the order (%)"),
        number("Right at first try (%)"),
        number("Answered"),
        { title: "What to do", holds: "text" },
      ],
      rows: view.students.map(({ name, counts, figures, result, answered, move }) => [
        name,
        Math.round(counts.seconds / 60),
        Math.round(counts.usualSeconds / 60),
        percent(figures.time),
        percent(figures.lessons),
        percent(figures.tries),
        percent(figures.notRapid),
        percent(figures.mean),
        percent(result),
        answered,
        MOVE_WORDS[move],
      ]),
    },
    {
      name: "Parts",
      title: "What did each work on, and how long?",
      columns: [
        { title: "Student", holds: "text", names: true },
        { title: "Work", holds: "text" },
        number("Minutes"),
        number("Right"),
        number("Answered"),
        number("Lessons opened"),
      ],
      rows: view.students.flatMap(({ name, parts }) =>
        parts.map(({ title, seconds, right, answered, lessons }) => [
          name,
          title,
          Math.round(seconds / 6) / 10,
          right,
          answered,
          lessons,
        ]),
      ),
    },
  ];
}
