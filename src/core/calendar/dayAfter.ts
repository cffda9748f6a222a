import { dayNumber, type SchoolDay } from "./dayNumber";
import { dayOfNumber } from "./dayOfNumber";

/** The calendar day after a day. */
export const dayAfter = (day: SchoolDay): SchoolDay => dayOfNumber(dayNumber(day) + 1);
