import type { SchoolDay } from "./dayNumber";

interface DatedTerm {
  readonly startDay: SchoolDay;
  readonly endDay: SchoolDay;
}

/**
 * The term that a day lies in; null between terms.
 * @example termOn([{ name: "Autumn", startDay: "2026-09-01", endDay: "2027-01-22" }], "2026-11-23")?.name // "Autumn"
 */
export function termOn<Term extends DatedTerm>(terms: readonly Term[], day: SchoolDay): Term | null {
  return terms.find(({ startDay, endDay }) => startDay <= day && day <= endDay) ?? null;
}

/**
 * The term to reckon with on a day: the one that it lies in, or else the last one; null where there are none.
 * @example termAround([{ name: "Autumn", startDay: "2026-09-01", endDay: "2027-01-22" }], "2027-02-01")?.name // "Autumn"
 */
export function termAround<Term extends DatedTerm>(terms: readonly Term[], day: SchoolDay): Term | null {
  return termOn(terms, day) ?? terms.at(-1) ?? null;
}
