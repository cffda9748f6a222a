import { addSchoolDays } from "../calendar/addSchoolDays";
import { dayNumber, type SchoolDay } from "../calendar/dayNumber";
import { dayOfNumber } from "../calendar/dayOfNumber";
import { isSchoolDay, type SchoolCalendar } from "../calendar/isSchoolDay";
import { mondayOf } from "../calendar/mondayOf";
import type { SeriesDay, SeriesRules } from "../model/series";

const DAYS_OF_SCHOOL_WEEK = 5;

/**
 * The days on which a series gives something, first to last, both ends included. Where its day is no school day, it is the next school day of the same week that
 * has none of its own, or none at all, as the rules say. Weeks are counted from the week of the first day.
 * @example seriesDays({ source: { by: "plan", weeks: 2 }, items: 5, weekdays: [1], everyWeeks: 1, onHoliday: "next", dueAfter: 0 }, { fromDay: "2026-11-23", toDay: "2026-12-04" }, { holidays: new Set([20780]) }) // [{ day: "2026-11-24", due: "2026-11-24", insteadOf: "2026-11-23" }, { day: "2026-11-30", due: "2026-11-30", insteadOf: null }]
 */
export function seriesDays(
  rules: SeriesRules,
  { fromDay, toDay }: { readonly fromDay: SchoolDay; readonly toDay: SchoolDay },
  calendar: SchoolCalendar,
): SeriesDay[] {
  const [from, to] = [dayNumber(fromDay), dayNumber(toDay)];
  const found: SeriesDay[] = [];
  for (let monday = mondayOf(from); monday <= to; monday += 7 * rules.everyWeeks)
    found.push(...daysOfWeek(rules, monday, { from, to }, calendar));
  return found;
}

function daysOfWeek(
  rules: SeriesRules,
  monday: number,
  { from, to }: { readonly from: number; readonly to: number },
  calendar: SchoolCalendar,
): SeriesDay[] {
  const own = [...new Set(rules.weekdays)].sort((x, y) => x - y).map((weekday) => monday + weekday - 1);
  const taken = new Set(own.filter((day) => isSchoolDay(day, calendar)));
  return own
    .flatMap((wished): SeriesDay[] => {
      const day = taken.has(wished) ? wished : insteadOf(rules, wished, monday, taken, calendar);
      // What would have been given before the first day is not given after it.
      if (day === null || wished < from || day > to) return [];
      taken.add(day);
      return [
        {
          day: dayOfNumber(day),
          due: addSchoolDays(dayOfNumber(day), rules.dueAfter, calendar),
          insteadOf: day === wished ? null : dayOfNumber(wished),
        },
      ];
    })
    .sort((x, y) => (x.day < y.day ? -1 : 1));
}

function insteadOf(
  { onHoliday }: SeriesRules,
  wished: number,
  monday: number,
  taken: ReadonlySet<number>,
  calendar: SchoolCalendar,
): number | null {
  if (onHoliday === "skip") return null;
  for (let day = wished + 1; day < monday + DAYS_OF_SCHOOL_WEEK; day++)
    if (isSchoolDay(day, calendar) && !taken.has(day)) return day;
  return null;
}
