import { CoreError } from "../model/fail";

/** A calendar day of the school, written YYYY-MM-DD. */
export type SchoolDay = string;

/**
 * Days since 1970-01-01 in the proleptic Gregorian calendar; throws "unreadable-day" for anything but a real day.
 * Source: H. Hinnant, "chrono-compatible low-level date algorithms", days_from_civil.
 * @example dayNumber("1970-01-02") // 1
 */
export function dayNumber(day: SchoolDay): number {
  const parts = /^(\d{4})-(\d{2})-(\d{2})$/.exec(day);
  const [year, month, date] = parts ? parts.slice(1).map(Number) : [];
  if (
    year === undefined ||
    month === undefined ||
    date === undefined ||
    month < 1 ||
    month > 12 ||
    date < 1 ||
    date > daysInMonth(year, month)
  ) {
    throw new CoreError("unreadable-day", "A day is written YYYY-MM-DD and must exist.", { day });
  }
  const shiftedYear = month <= 2 ? year - 1 : year;
  const era = Math.floor(shiftedYear / 400);
  const yearOfEra = shiftedYear - era * 400;
  const dayOfYear = Math.floor((153 * (month > 2 ? month - 3 : month + 9) + 2) / 5) + date - 1;
  const dayOfEra = yearOfEra * 365 + Math.floor(yearOfEra / 4) - Math.floor(yearOfEra / 100) + dayOfYear;
  return era * 146097 + dayOfEra - 719468;
}

function daysInMonth(year: number, month: number): number {
  if (month === 2) return (year % 4 === 0 && year % 100 !== 0) || year % 400 === 0 ? 29 : 28;
  return [4, 6, 9, 11].includes(month) ? 30 : 31;
}
