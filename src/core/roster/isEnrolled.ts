import type { SchoolDay } from "../calendar/dayNumber";

/**
 * Whether an enrollment holds on a day. Its end is exclusive, as the roster standard counts it: the first day on which the
 * student is no more in the class. A first day that is still to come counts at once.
 * @example isEnrolled({ untilDay: "2026-11-23" }, "2026-11-23") // false
 */
export const isEnrolled = ({ untilDay }: { readonly untilDay: SchoolDay | null }, day: SchoolDay): boolean =>
  untilDay === null || untilDay > day;
