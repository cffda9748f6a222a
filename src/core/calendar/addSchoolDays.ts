import { dayNumber, type SchoolDay } from "./dayNumber";
import { dayOfNumber } from "./dayOfNumber";
import { isSchoolDay, type SchoolCalendar } from "./isSchoolDay";

/**
 * The school day that is `count` (0 or more) taught days after `from`; with 0, `from` itself or the next taught day.
 * @example addSchoolDays("2026-11-27", 1, { holidays: new Set() }) // "2026-11-30"
 */
export function addSchoolDays(from: SchoolDay, count: number, calendar: SchoolCalendar): SchoolDay {
  let day = dayNumber(from);
  while (!isSchoolDay(day, calendar)) day++;
  for (let left = count; left > 0; ) if (isSchoolDay(++day, calendar)) left--;
  return dayOfNumber(day);
}
