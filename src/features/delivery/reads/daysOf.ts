import "server-only";
import { dayNumber } from "@/core/calendar/dayNumber";
import { dayOfNumber } from "@/core/calendar/dayOfNumber";
import { daysWorked, wasWorked } from "@/core/work/daysWorked";
import { completionsOf, goalOf } from "@/db/queries/ownChoice";
import { skillDaysOf } from "@/db/queries/summaries";
import type { Queryable } from "@/db/queryable";
import { dayAt, type School } from "@/server/runtime/school";
import type { DaysView } from "../ownTypes";

const WEEKS_SHOWN = 4;
const DAY = 86_400_000;

/** The days on which a student worked of late, this week's last, with the goal that they set. */
export async function daysOf(db: Queryable, school: School, personId: string, now: number): Promise<DaysView> {
  const today = dayNumber(dayAt(school, now));
  const [spent, finished, goal] = await Promise.all([
    skillDaysOf(db, [personId], today - 7 * WEEKS_SHOWN),
    completionsOf(db, personId, now - 7 * (WEEKS_SHOWN + 1) * DAY),
    goalOf(db, personId),
  ]);
  const weeks = daysWorked(
    spent,
    finished.map((at) => dayNumber(dayAt(school, at))),
    today,
    WEEKS_SHOWN,
  );
  return {
    goal: goal?.daysAWeek ?? null,
    daysThisWeek: weeks.at(-1)?.filter(wasWorked).length ?? 0,
    weeks: weeks.map((week) =>
      week.map(({ day, milliseconds, pieces }) => ({
        day: dayOfNumber(day),
        minutes: milliseconds === 0 ? 0 : Math.max(1, Math.round(milliseconds / 60_000)),
        pieces,
        when: day === today ? "today" : day < today ? "past" : "later",
      })),
    ),
  };
}
