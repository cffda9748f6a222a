import { dayNumber, type SchoolDay } from "./dayNumber";
import { dayOfNumber } from "./dayOfNumber";

/**
 * The calendar day before a day.
 * @example dayBefore("2026-03-01") // "2026-02-28"
 */
export const dayBefore = (day: SchoolDay): SchoolDay => dayOfNumber(dayNumber(day) - 1);
