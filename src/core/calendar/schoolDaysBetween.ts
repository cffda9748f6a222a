import { dayNumber, type SchoolDay } from "./dayNumber";
import { isSchoolDay, type SchoolCalendar } from "./isSchoolDay";

/**
 * School days from `from` to `to`: days taught after `from`, up to and with `to`. Negative when `to` lies before `from`.
 * Example: from a Monday to the Wednesday after it is 2 when both following days are taught.
 * @example schoolDaysBetween("2026-11-23", "2026-11-30", { holidays: new Set() }) // 5
 */
export function schoolDaysBetween(from: SchoolDay, to: SchoolDay, calendar: SchoolCalendar): number {
  const start = dayNumber(from);
  const end = dayNumber(to);
  const [low, high] = start <= end ? [start, end] : [end, start];
  let taught = 0;
  for (let day = low + 1; day <= high; day++) if (isSchoolDay(day, calendar)) taught++;
  return start <= end ? taught : 0 - taught;
}
