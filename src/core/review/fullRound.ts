import { reviewMemory } from "./reviewMemory";

/** A skill in a student's review with the days that tell how long it has waited. */
export interface WaitingSkill {
  readonly stabilityDays: number;
  readonly enteredDay: number;
  /** Day of the last right first try; null before there was one. */
  readonly lastRightDay: number | null;
}

export interface FullRound {
  /** The longest that any of the skills has waited for a right first try. */
  readonly days: number;
  /** The longest that any of them may wait before its recall falls under what is wanted. */
  readonly good: number;
  /** How many of them have waited longer than their own memory allows. */
  readonly overdue: number;
}

/**
 * Days since a skill in review last came right at once; what never did counts from entering.
 * @example daysWaiting({ enteredDay: 10, lastRightDay: 30 }, 42) // 12
 */
export const daysWaiting = ({ enteredDay, lastRightDay }: Omit<WaitingSkill, "stabilityDays">, day: number): number =>
  Math.max(0, day - (lastRightDay ?? enteredDay));

/**
 * Days that a full round through a student's review takes, and how many are good for these memories; null with nothing in review.
 * @example fullRound([{ stabilityDays: 20, enteredDay: 0, lastRightDay: 30 }], 42, 0.9)?.days // 12
 */
export function fullRound(skills: readonly WaitingSkill[], day: number, wanted: number): FullRound | null {
  if (skills.length === 0) return null;
  const allowed = ({ stabilityDays }: WaitingSkill) => reviewMemory.daysUntil(stabilityDays, wanted);
  return {
    days: Math.max(...skills.map((skill) => daysWaiting(skill, day))),
    good: Math.max(1, Math.floor(Math.max(...skills.map(allowed)))),
    overdue: skills.filter((skill) => daysWaiting(skill, day) > allowed(skill)).length,
  };
}
