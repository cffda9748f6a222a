import type { TableSheet } from "@/formats/table/tableSheet";
import type { GoalsView } from "../goalTypes";

/** How the goals of a class count, and how their courses are called. */
export const GOAL_UNITS_WORDS = {
  minutes: "minutes",
  pieces: "finished pieces",
  skills: "skills mastered",
} as const;
export const COURSE_WORDS = {
  reached: "there already",
  "on-course": "on course",
  open: "may get there",
  behind: "behind",
  "too-early": "too early to say",
} as const;
export const SKILL_COURSE_WORDS = {
  there: "there already",
  "on-course": "likely to get there",
  behind: "not as they go on now",
} as const;

const percent = (share: number) => Math.round(share * 100);
const whole = (value: number | null) => (value === null ? "" : Math.round(value));

/** Every goal by student; none where no goal is set. */
export function goalSheets({ goals }: GoalsView): TableSheet[] {
  if (goals.length === 0) return [];
  const number = (title: string) => ({ title, holds: "number" as const });
  const text = (title: string) => ({ title, holds: "text" as const });
  return [
    {
      name: "Goals",
      title: "Who is on course?",
      columns: [
        text("Class"),
        text("Goal"),
        text("By"),
        { ...text("Student"), names: true },
        number("Now"),
        number("Likely then"),
        number("At least"),
        number("At most"),
        text("Course"),
      ],
      rows: goals.flatMap((goal) =>
        goal.aim === "amount"
          ? goal.students.map(({ name, projection: { reached, projected, low, high, course } }) => [
              goal.className,
              `${goal.target} ${GOAL_UNITS_WORDS[goal.unit]}`,
              goal.until,
              name,
              Math.round(reached),
              whole(projected),
              whole(low),
              whole(high),
              COURSE_WORDS[course],
            ])
          : goal.skills.flatMap((skill) =>
              skill.students.map(({ name, now, later, course }) => [
                goal.className,
                `${skill.name} at ${goal.level}, chance of mastery in %`,
                goal.until,
                name,
                percent(now),
                percent(later),
                "",
                "",
                SKILL_COURSE_WORDS[course],
              ]),
            ),
      ),
    },
  ];
}
