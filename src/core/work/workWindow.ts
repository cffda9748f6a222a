/** The times of work for one student; instants in milliseconds since 1970 UTC. */
export interface WorkWindow {
  readonly opensAt: number;
  /** Null where it has no due time. */
  readonly dueAt: number | null;
  /** Until when it is taken; null where nothing ends it. */
  readonly closesAt: number | null;
}

/** "late": after the due time, and still taken. */
export type WindowStanding = "scheduled" | "open" | "late" | "closed";

/** What was given, and what one student was granted beyond it. */
interface GivenTimes {
  readonly opensAt: number;
  readonly dueAt: number | null;
  /** Null where the due time is the end. */
  readonly closesAt: number | null;
}
interface GrantedTimes {
  readonly dueAt: number | null;
  readonly reopenedUntil: number | null;
}

/**
 * The times that hold for one student: a due time of their own takes the place of everybody's, opening again moves the end.
 * @example windowFor({ opensAt: 0, dueAt: 10, closesAt: null }, { dueAt: 15, reopenedUntil: null }) // { opensAt: 0, dueAt: 15, closesAt: 15 }
 */
export function windowFor(given: GivenTimes, granted: GrantedTimes = { dueAt: null, reopenedUntil: null }): WorkWindow {
  const dueAt = granted.dueAt ?? given.dueAt;
  const usual = given.closesAt ?? dueAt;
  const ends = usual === null ? null : Math.max(usual, dueAt ?? usual, granted.reopenedUntil ?? usual);
  return { opensAt: given.opensAt, dueAt, closesAt: ends };
}

/**
 * Where work stands at a moment. A moment that is exactly the due time or the end is still in time.
 * @example windowStanding({ opensAt: 0, dueAt: 10, closesAt: 20 }, 15) // "late"
 */
export function windowStanding({ opensAt, dueAt, closesAt }: WorkWindow, now: number): WindowStanding {
  if (now < opensAt) return "scheduled";
  if (closesAt !== null && now > closesAt) return "closed";
  return dueAt !== null && now > dueAt ? "late" : "open";
}

/** What is wrong with the times of work. */
export type WindowFault = "due-before-open" | "closes-before-due" | "closes-before-open";

/**
 * The first thing that is wrong with the times of work; null when they can be kept.
 * @example windowFault({ opensAt: 10, dueAt: 5, closesAt: null }) // "due-before-open"
 */
export function windowFault({ opensAt, dueAt, closesAt }: GivenTimes): WindowFault | null {
  if (dueAt !== null && dueAt <= opensAt) return "due-before-open";
  if (closesAt !== null && closesAt <= opensAt) return "closes-before-open";
  return closesAt !== null && dueAt !== null && closesAt < dueAt ? "closes-before-due" : null;
}
