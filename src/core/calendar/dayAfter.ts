import { dayNumber, type SchoolDay } from "./dayNumber";
import { dayOfNumber } from "./dayOfNumber";

/**
 * The calendar day after a day.
 * @example dayAfter("2026-12-31") // "2027-01-01"
 */
export const dayAfter = (day: SchoolDay): SchoolDay => dayOfNumber(dayNumber(day) + 1);
