import type { SchoolDay } from "./dayNumber";

const MONTHS = ["Jan", "Feb", "Mar", "Apr", "May", "Jun", "Jul", "Aug", "Sep", "Oct", "Nov", "Dec"];

/** A day such as 2026-11-23 in words: "23 Nov 2026". */
export function dayWords(day: SchoolDay): string {
  const [year, month, date] = day.split("-").map(Number);
  return `${date} ${MONTHS[(month ?? 1) - 1]} ${year}`;
}
