/** The days on which nothing is taught beside weekends, as day numbers (see `dayNumber`). */
export interface SchoolCalendar {
  readonly holidays: ReadonlySet<number>;
}

/**
 * True from Monday to Friday unless the day is a holiday. 1970-01-01 (day 0) was a Thursday.
 * @example isSchoolDay(dayNumber("2026-11-28"), { holidays: new Set() }) // false
 */
export function isSchoolDay(day: number, calendar: SchoolCalendar): boolean {
  const weekday = (((day + 3) % 7) + 7) % 7;
  return weekday < 5 && !calendar.holidays.has(day);
}
