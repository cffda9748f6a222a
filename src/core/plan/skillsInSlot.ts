import type { SchoolDay } from "../calendar/dayNumber";
import { type LessonCalendar, lessonDayAfter, lessonsBetween } from "./lessonDays";

/** The days on which a planned skill is taught, both included. */
export interface PlanSpan {
  readonly skillId: string;
  readonly fromDay: SchoolDay;
  readonly targetDay: SchoolDay;
}

/**
 * The days of each skill of a slot: its lessons are shared out in order, as evenly as whole lessons allow, the first skill getting its full share. With fewer
 * lessons than skills several skills share a day.
 * @example skillsInSlot(["a", "b"], { fromDay: "2026-11-23", targetDay: "2026-11-26" }, { holidays: new Set(), weekdays: [1, 2, 3, 4, 5] })[1]?.fromDay // "2026-11-25"
 */
export function skillsInSlot(
  skillIds: readonly string[],
  { fromDay, targetDay }: { readonly fromDay: SchoolDay; readonly targetDay: SchoolDay },
  calendar: LessonCalendar,
): PlanSpan[] {
  const lessons = Math.max(1, lessonsBetween(fromDay, targetDay, calendar));
  const count = skillIds.length;
  const dayAt = (lesson: number): SchoolDay => lessonDayAfter(fromDay, lesson, calendar) ?? targetDay;
  return skillIds.map((skillId, place) => {
    const first = Math.floor((place * lessons + count - 1) / count);
    const next = Math.floor(((place + 1) * lessons + count - 1) / count);
    const begins = Math.min(first, lessons - 1);
    return { skillId, fromDay: dayAt(begins), targetDay: dayAt(Math.max(begins, next - 1)) };
  });
}
