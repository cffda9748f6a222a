import { demandThat } from "../model/fail";

/** Lessons a week by which a plan to choose from is counted. */
export const FULL_WEEK = 5;

/**
 * What so many lessons of a full week come to where a class has fewer lessons a week; never under one.
 * @param lessons 1 or more
 * @param lessonsAWeek of the class, 1 to 7
 * @throws CoreError "bad-argument", where this does not hold: A class has at least one lesson a week.
 * @example lessonsAtWeek(20, 2) // 8
 */
export function lessonsAtWeek(lessons: number, lessonsAWeek: number): number {
  demandThat(lessonsAWeek >= 1, "A class has at least one lesson a week.", { lessonsAWeek });
  return Math.max(1, Math.round((lessons * lessonsAWeek) / FULL_WEEK));
}
