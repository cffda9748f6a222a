import { isSchoolDay, type SchoolCalendar } from "../calendar/isSchoolDay";
import type { DayRange } from "../calendar/rangeOfDays";
import { demandThat } from "../model/fail";
import type { WeekOfWork } from "./timeOrStruggle";

/** School days of a whole week. */
const WHOLE_WEEK = 5;

/**
 * What is expected of a student in some days of a week: the class's expectation for a whole week, shrunk to the school days that were taught and
 * on which the student was in the class, as exact shares of five.
 * @param member Ranges of days on which the student was in the class.
 * @throws CoreError "bad-argument", where this does not hold: An expectation is 0 or more.
 * @example expectedInWeek({ minutes: 50, pieces: 2 }, { from: 20780, to: 20784 }, [{ from: 20783, to: 99999 }], { holidays: new Set() }) // { minutes: 20, pieces: 0.8 }
 */
export function expectedInWeek(
  whole: WeekOfWork,
  { from, to }: DayRange,
  member: readonly DayRange[],
  calendar: SchoolCalendar,
): WeekOfWork {
  demandThat(whole.minutes >= 0 && whole.pieces >= 0, "An expectation is 0 or more.", { ...whole });
  let days = 0;
  for (let day = from; day <= to; day++)
    if (isSchoolDay(day, calendar) && member.some((own) => own.from <= day && day <= own.to)) days++;
  const share = Math.min(WHOLE_WEEK, days) / WHOLE_WEEK;
  return { minutes: whole.minutes * share, pieces: whole.pieces * share };
}
