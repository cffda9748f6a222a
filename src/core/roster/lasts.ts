import type { SchoolDay } from "../calendar/dayNumber";

/**
 * Whether a role or a place on a class's staff has not ended on a day; its last day still counts.
 * @example lasts({ untilDay: "2026-11-23" }, "2026-11-23") // true
 */
export const lasts = ({ untilDay }: { readonly untilDay: SchoolDay | null }, day: SchoolDay): boolean =>
  untilDay === null || untilDay >= day;
