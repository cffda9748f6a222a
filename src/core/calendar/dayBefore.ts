import { dayNumber, type SchoolDay } from "./dayNumber";
import { dayOfNumber } from "./dayOfNumber";

/** The calendar day before a day. */
export const dayBefore = (day: SchoolDay): SchoolDay => dayOfNumber(dayNumber(day) - 1);
