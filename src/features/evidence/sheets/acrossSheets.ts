import type { TableSheet } from "@/formats/table/tableSheet";
import type { AcrossView, ClassShare } from "../acrossTypes";

const percent = (share: number | null): number | null => (share === null ? null : Math.round(share * 100));

/** A common test by item, standards or skills, and usage, each class a column or a row. */
export function acrossSheets(view: AcrossView): TableSheet[] {
  const number = (title: string) => ({ title, holds: "number" as const });
  const shares = view.classes.flatMap(({ name }) => [number(`${name} (%)`), number(`${name}, n`)]);
  const cells = (classes: readonly ClassShare[]) => classes.flatMap(({ share }) => [percent(share.share), share.n]);
  const nameOf = (id: string) => view.classes.find((one) => one.id === id)?.name ?? "";
  return [
    ...(view.test
      ? [
          {
            name: "Items",
            title: `Which item went how in which class? ${view.test.words}`,
            columns: [
              number("Item"),
              { title: "Question", holds: "text" as const },
              { title: "Skill", holds: "text" as const },
              ...shares,
            ],
            rows: view.test.items.map((item) => [item.place, item.stem, item.skill, ...cells(item.classes)]),
          },
        ]
      : []),
    {
      name: view.depth === "skills" ? "Skills" : "Standards",
      title: "Who is Secure, class by class?",
      columns: [{ title: "Code", holds: "text" }, { title: "Name", holds: "text" }, ...shares],
      rows: view.skills.map((skill) => [skill.code, skill.name, ...cells(skill.classes)]),
    },
    {
      name: "Use",
      title: "How much was worked, and of whom is nothing known?",
      columns: [
        { title: "Class", holds: "text" },
        number("Students"),
        number("Minutes a student"),
        number("First answers"),
        number("Without an answer in these days"),
        number("Without any evidence"),
      ],
      rows: view.use.map((use) => [
        nameOf(use.classId),
        use.students,
        use.minutes,
        use.answers,
        use.quiet.length,
        use.never.length,
      ]),
    },
  ];
}
