import type { SchoolDay } from "../calendar/dayNumber";

/** What a student's supports say of being left out of tests. */
export interface LeaveOut {
  /** The subject in whose tests they are left out; null for all. */
  readonly subjectId: string | null;
  /** The last day on which they are; null for no end. */
  readonly until: SchoolDay | null;
}

/**
 * Whether somebody is left out of a test on a day. The last day itself still counts; a test of which nothing is known yet is of every subject.
 * @example leftOutOfTests({ subjectId: "mathematics", until: "2026-12-18" }, ["mathematics"], "2026-12-18") // true
 */
export function leftOutOfTests({ subjectId, until }: LeaveOut, subjectIds: readonly string[], day: SchoolDay): boolean {
  if (until !== null && day > until) return false;
  return subjectId === null || subjectIds.length === 0 || subjectIds.includes(subjectId);
}
