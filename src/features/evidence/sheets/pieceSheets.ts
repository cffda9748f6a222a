import { percentDown } from "@/core/measurement/percentDown";
import { reachesCut } from "@/core/measurement/reachesCut";
import { rational } from "@/core/numeric/rational";
import type { TableSheet } from "@/formats/table/tableSheet";
import { FLAG_WORDS } from "@/words/staff/flagWords";
import { runEndWords } from "@/words/staff/runWords";
import type { PieceStudent, PieceView } from "../pieceTypes";

const percent = (share: number | null): number | null => (share === null ? null : Math.round(share * 100));
const hundredth = (value: number | null | undefined): number | null =>
  value === null || value === undefined ? null : Math.round(value * 100) / 100;
const text = (title: string) => ({ title, holds: "text" as const });
const number = (title: string) => ({ title, holds: "number" as const });

/** How a student stands with a piece of work, in words. */
export const pieceStateWords = (state: PieceStudent["state"]): string =>
  state === "excused" || state === "absent" ? state : runEndWords(state);

/** The tables of one piece of work: students, items, wrong answers, standards. */
export function pieceSheets(view: PieceView, line = view.line): TableSheet[] {
  const nameOf = new Map(view.students.map(({ id, name }) => [id, name]));
  const names = (ids: readonly string[]) => ids.map((id) => nameOf.get(id) ?? "").join(", ");
  return [
    {
      name: "Students",
      title: "How did each student do?",
      columns: [
        { ...text("Student"), names: true },
        text("State"),
        number("Mark (%)"),
        text(`At or above ${line} %`),
        number("First try (%)"),
        number("Best (%)"),
        number("Right at first try"),
        number("Items"),
        number("Minutes"),
        number("Seconds an item"),
        number("Rapid answers"),
        text("Rushed"),
        text("Late"),
        text("Missed skills"),
      ],
      rows: view.students.map((student) => {
        const tries = student.tries.map((mark) => rational(mark));
        const best = tries.reduce<(typeof tries)[number] | null>(
          (top, mark) => (top === null || mark.compare(top) > 0 ? mark : top),
          null,
        );
        const mark = student.mark === null ? null : rational(student.mark);
        return [
          student.name,
          pieceStateWords(student.state),
          mark ? percentDown(mark) : null,
          mark ? (reachesCut(mark, line) ? "yes" : "no") : "",
          tries[0] ? percentDown(tries[0]) : null,
          best ? percentDown(best) : null,
          student.right,
          student.answered,
          student.minutes,
          student.secondsAnItem,
          student.rapid,
          student.rushed ? "yes" : "",
          student.late ? "yes" : "",
          student.missed.map(({ name }) => name).join(", "),
        ];
      }),
    },
    {
      name: "Items",
      title: "Which items went wrong?",
      columns: [
        number("Item"),
        text("Question"),
        text("Answer"),
        text("Skill"),
        number("Right (%)"),
        number("Answers"),
        number("Blank"),
        number("Median seconds"),
        number("Item-rest correlation"),
        number("Upper-lower index"),
        number("Alpha without it"),
        text("To look at"),
        { ...text("Missed by"), names: true },
      ],
      rows: view.items.map((item) => [
        item.place,
        item.stem,
        item.answer,
        item.skill,
        percent(item.right.share),
        item.right.n,
        item.blank,
        item.medianSeconds === null ? null : Math.round(item.medianSeconds),
        hundredth(item.analysis?.itemRest),
        hundredth(item.analysis?.upperLower),
        hundredth(item.analysis?.alphaIfDropped),
        item.flags.map((flag) => FLAG_WORDS[flag]).join("; "),
        names(item.missedIds),
      ]),
    },
    {
      name: "Wrong answers",
      title: "What was given instead?",
      columns: [
        number("Item"),
        text("Given"),
        text("Known mistake"),
        number("Students"),
        { ...text("Who"), names: true },
      ],
      rows: view.items.flatMap((item) =>
        item.wrong.map(({ text: given, misconception, studentIds }) => [
          item.place,
          given,
          misconception ?? "",
          studentIds.length,
          names(studentIds),
        ]),
      ),
    },
    {
      name: "Standards",
      title: "How did each standard go?",
      columns: [
        text("Standard"),
        text("Statement"),
        number("Items"),
        number("Right (%)"),
        number("From (%)"),
        number("To (%)"),
        number("Answers"),
        { ...text("None right"), names: true },
      ],
      rows: view.standards.map(({ code, words, items, right, noneRight }) => [
        code,
        words,
        items,
        percent(right.share),
        percent(right.low),
        percent(right.high),
        right.n,
        names(noneRight),
      ]),
    },
  ];
}
