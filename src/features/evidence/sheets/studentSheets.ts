import type { TableSheet } from "@/formats/table/tableSheet";
import type { SkillLine, StudentReportView } from "../studentTypes";

const text = (title: string) => ({ title, holds: "text" as const });
const number = (title: string) => ({ title, holds: "number" as const });
const percent = (share: number) => Math.round(share * 100);

/** One student's levels, skills and work as tables. */
export function studentSheets(view: StudentReportView): TableSheet[] {
  const skill = (kind: string) => (line: SkillLine) => [
    kind,
    line.codes.join(", "),
    line.name,
    line.grade,
    line.gauge.tooLittle ? null : percent(line.gauge.chance),
    line.gauge.right,
    line.gauge.answered,
  ];
  return [
    {
      name: "Levels",
      title: "How has the level gone?",
      columns: [
        text("Week until"),
        ...[...view.wholes, ...view.strands].flatMap(({ name }) => [number(name), number(`${name}, error`)]),
      ],
      rows: view.course.map(({ week, levels }) => [
        week,
        ...[...view.wholes, ...view.strands].flatMap(({ id }) => [levels[id]?.score ?? null, levels[id]?.se ?? null]),
      ]),
    },
    {
      name: "Skills",
      title: "What has been shown, what comes next, what is missing?",
      columns: [
        text("List"),
        text("Standards"),
        text("Skill"),
        number("Grade"),
        number("Chance of mastery (%)"),
        number("Right at first try"),
        number("Answered"),
      ],
      rows: [
        ...view.shown.map(skill("shown")),
        ...view.ready.map(skill("ready for")),
        ...view.missing.map(skill("missing underneath")),
      ],
    },
    {
      name: "Work",
      title: "What was worked on?",
      columns: [text("Day"), text("Work"), text("State"), number("Mark (%)"), number("Minutes")],
      rows: view.works.map(({ day, title, state, percent: mark, minutes }) => [day, title, state, mark, minutes]),
    },
  ];
}
