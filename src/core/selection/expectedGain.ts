import { chanceWithin } from "../mastery/chanceWithin";
import type { LearnerState } from "../mastery/learningModel";

/** Time spent on a skill: scored answers, and the minutes that they take. */
export interface Visit {
  readonly answers: number;
  readonly minutes: number;
}

const MINUTES_AN_ANSWER = 0.9;
/** One usual visit to a skill. */
export const USUAL_VISIT: Visit = { answers: 6, minutes: 5.4 };

/**
 * The visit that fits some minutes: a usual one, or as many answers as there is time for, and one at the least.
 * @example visitWithin(3).answers // 3
 */
export function visitWithin(minutes: number): Visit {
  if (minutes >= USUAL_VISIT.minutes) return USUAL_VISIT;
  const answers = Math.max(1, Math.floor(minutes / MINUTES_AN_ANSWER));
  return { answers, minutes: Math.max(minutes, MINUTES_AN_ANSWER) };
}

/** A skill that could be worked on: the student's state in it, readiness (0 to 1) and the weight of what it unlocks (0 or more). */
export interface WorkableSkill extends LearnerState {
  readonly ready: number;
  readonly unlockedWeight: number;
}

/**
 * Expected gain per minute of working on a skill now: ready * (P after - P before) * (1 + weight of what it unlocks) /
 * minutes, P after being the chance of mastery within the answers of a visit. 0 or more.
 * @example expectedGain({ id: "a", mastery: 0.5, learning: 0.1, ready: 1, unlockedWeight: 0 }) > expectedGain({ id: "a", mastery: 0.95, learning: 0.1, ready: 1, unlockedWeight: 0 }) // true
 */
export function expectedGain(skill: WorkableSkill, { answers, minutes }: Visit = USUAL_VISIT): number {
  const gained = chanceWithin(skill, answers) - skill.mastery;
  return (skill.ready * gained * (1 + skill.unlockedWeight)) / minutes;
}
