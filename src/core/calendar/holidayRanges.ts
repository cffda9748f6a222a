import { dayNumber, type SchoolDay } from "./dayNumber";
import { dayOfNumber } from "./dayOfNumber";
import { isSchoolDay } from "./isSchoolDay";

/** Days in a row on which nothing is taught, under one name. */
export interface HolidayRange {
  readonly from: SchoolDay;
  readonly to: SchoolDay;
  readonly name: string;
}

const NO_HOLIDAYS = { holidays: new Set<number>() };

/**
 * Single days as ranges: neighbours of one name go together, also over a weekend.
 * @example holidayRanges([{ day: "2026-10-30", name: "Break" }, { day: "2026-11-02", name: "Break" }]) // [{ from: "2026-10-30", to: "2026-11-02", name: "Break" }]
 */
export function holidayRanges(days: readonly { readonly day: SchoolDay; readonly name: string }[]): HolidayRange[] {
  const ranges: { from: SchoolDay; to: SchoolDay; name: string }[] = [];
  for (const { day, name } of [...days].sort((one, other) => (one.day < other.day ? -1 : 1))) {
    const last = ranges.at(-1);
    if (last && last.name === name && isNext(last.to, day)) last.to = day;
    else ranges.push({ from: day, to: day, name });
  }
  return ranges;
}

/** Whether nothing but a weekend lies between. */
function isNext(before: SchoolDay, day: SchoolDay): boolean {
  for (let between = dayNumber(before) + 1; between < dayNumber(day); between++)
    if (isSchoolDay(between, NO_HOLIDAYS)) return false;
  return true;
}

/**
 * The days from Monday to Friday of a range, both ends included; none where it ends before it begins.
 * @example weekdaysIn({ from: "2026-11-27", to: "2026-11-30" }) // ["2026-11-27", "2026-11-30"]
 */
export function weekdaysIn({ from, to }: Pick<HolidayRange, "from" | "to">): SchoolDay[] {
  const days: SchoolDay[] = [];
  for (let day = dayNumber(from); day <= dayNumber(to); day++)
    if (isSchoolDay(day, NO_HOLIDAYS)) days.push(dayOfNumber(day));
  return days;
}
