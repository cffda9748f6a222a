import { dayNumber, type SchoolDay } from "../calendar/dayNumber";
import { dayOfNumber } from "../calendar/dayOfNumber";
import { isSchoolDay, type SchoolCalendar } from "../calendar/isSchoolDay";
import { demandThat } from "../model/fail";

/** When a class has its lessons: on these days of the week (1 is Monday, 7 Sunday), where school is held. */
export interface LessonCalendar extends SchoolCalendar {
  readonly weekdays: readonly number[];
}

/** Days that are looked through for a lesson: a class without one for so long has none. */
const MOST_DAYS_WITHOUT = 400;

const weekdayOf = (day: number): number => ((((day + 3) % 7) + 7) % 7) + 1;

/**
 * Whether the class has a lesson on a day.
 * @example isLessonDay(dayNumber("2026-11-23"), { holidays: new Set(), weekdays: [1, 3] }) // true
 */
export const isLessonDay = (day: number, calendar: LessonCalendar): boolean =>
  calendar.weekdays.includes(weekdayOf(day)) && isSchoolDay(day, calendar);

/**
 * The lesson day that comes `count` (0 or more) lessons after `from`; with 0, `from` itself or the next one. Null where no lesson comes for 400 days.
 * @throws CoreError "bad-argument", where this does not hold: Lessons are counted in whole numbers from 0.
 * @example lessonDayAfter("2026-11-24", 1, { holidays: new Set(), weekdays: [1, 3] }) // "2026-11-30"
 */
export function lessonDayAfter(from: SchoolDay, count: number, calendar: LessonCalendar): SchoolDay | null {
  demandThat(Number.isInteger(count) && count >= 0, "Lessons are counted in whole numbers from 0.", { count });
  let left = count;
  let without = 0;
  for (let day = dayNumber(from); without < MOST_DAYS_WITHOUT; day++) {
    if (!isLessonDay(day, calendar)) without++;
    else if (left === 0) return dayOfNumber(day);
    else {
      left--;
      without = 0;
    }
  }
  return null;
}

/**
 * Lessons of a class from one day to another, both included.
 * @example lessonsBetween("2026-11-23", "2026-11-30", { holidays: new Set(), weekdays: [1, 3] }) // 3
 */
export function lessonsBetween(from: SchoolDay, to: SchoolDay, calendar: LessonCalendar): number {
  let lessons = 0;
  for (let day = dayNumber(from); day <= dayNumber(to); day++) if (isLessonDay(day, calendar)) lessons++;
  return lessons;
}
