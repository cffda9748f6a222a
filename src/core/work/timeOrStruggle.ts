import { demandThat } from "../model/fail";

/** What a student did in a week, or what the class is expected to do: minutes at work and pieces finished. */
export interface WeekOfWork {
  readonly minutes: number;
  readonly pieces: number;
}

/** Why too little is finished: too little time at work, or struggle in spite of it. */
export type TimeOrStruggle = "on-course" | "time" | "struggle";

/**
 * Finished too little and worked too little: time. Worked enough and finished too little: struggle. Otherwise on course.
 * @throws CoreError "bad-argument", where this does not hold: Minutes and pieces are 0 or more.
 * @example timeOrStruggle({ minutes: 10, skills: 1 }, { minutes: 30, skills: 2 }) // "time"
 */
export function timeOrStruggle(done: WeekOfWork, expected: WeekOfWork): TimeOrStruggle {
  demandThat(
    Object.values(done).every((value) => value >= 0) && Object.values(expected).every((value) => value >= 0),
    "Minutes and pieces are 0 or more.",
    { ...done },
  );
  if (done.pieces >= expected.pieces) return "on-course";
  return done.minutes < expected.minutes ? "time" : "struggle";
}
