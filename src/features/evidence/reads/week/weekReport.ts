import "server-only";
import { format } from "date-fns";
import { dayNumber } from "@/core/calendar/dayNumber";
import { dayOfNumber } from "@/core/calendar/dayOfNumber";
import { isSchoolDay } from "@/core/calendar/isSchoolDay";
import { mondayOf } from "@/core/calendar/mondayOf";
import type { DayRange } from "@/core/calendar/rangeOfDays";
import { groupBy } from "@/core/collections/groupBy";
import { expectedInWeek } from "@/core/work/expectedInWeek";
import { momentum } from "@/core/work/momentum";
import { pieceOfGrade } from "@/core/work/pieceOfGrade";
import { timeOrStruggle, type WeekOfWork } from "@/core/work/timeOrStruggle";
import { timeByDay } from "@/db/queries/summaries";
import { expectationsOf, runsBetween, scoredSkillsOf, signInsBetween } from "@/db/queries/weeks";
import { demandStaff } from "@/server/access/demand";
import { may } from "@/server/access/policy";
import { classSubjects } from "@/server/access/subjects";
import { libraryOf } from "@/server/library/library";
import type { Context } from "@/server/runtime/context";
import { dayAt, instantAt } from "@/server/runtime/school";
import type { Search } from "../../frame/frameParams";
import type { PraiseCode, StudentWeek, WeekStudent, WeekView } from "../../weekTypes";
import { type FrameStudent, type ReportFrame, wasMember } from "../frame";
import { weekSnags } from "./weekSnags";

const WEEKS = 4;
const DAYS_A_WEEK = 7;
const MINUTE = 60_000;
/** What a class does in a week where nobody said what it should. */
const USUAL: WeekOfWork = { minutes: 30, pieces: 2 };

/** The four weeks that end with the one in which the frame's days end: who came, who got through, and where it holds. */
export async function weekReport(context: Context, frame: ReportFrame, search: Search): Promise<WeekView> {
  const staff = demandStaff(context.actor);
  const { runtime } = context;
  const db = runtime.db.read;
  const { school } = frame;
  const today = dayNumber(frame.today);
  const last = mondayOf(frame.range.to);
  const weeks = Array.from({ length: WEEKS }, (_, n): DayRange => {
    const from = last - DAYS_A_WEEK * (WEEKS - 1 - n);
    // Of the week that is under way, what could be done by today.
    return { from, to: Math.min(today, from + DAYS_A_WEEK - 1) };
  });
  const asked = weeks.findIndex((week) => dayOfNumber(week.from) === search.week);
  const chosen = asked >= 0 ? asked : usualWeek(weeks, school.calendar);
  const from = weeks[0]?.from ?? last;
  const instants = {
    from: instantAt(school, dayOfNumber(from), "00:00"),
    until: instantAt(school, dayOfNumber(last + DAYS_A_WEEK), "00:00"),
  };
  const here = frame.students.filter(({ left }) => !left);
  const ids = here.map(({ id }) => id);
  const [expectations, came, runs, days, library, subjects] = await Promise.all([
    expectationsOf(db, frame.classIds),
    signInsBetween(db, ids, instants),
    runsBetween(db, ids, instants),
    // Three weeks more, for what is set against the weeks before.
    timeByDay(db, ids, from - DAYS_A_WEEK * (WEEKS - 1)),
    libraryOf(runtime),
    classSubjects(db, staff, frame.classIds),
  ]);
  const skills = new Map(library.skills.map(({ id, grade }) => [id, grade]));
  const finished = runs.filter(({ finishedAt, itemsDone }) => finishedAt !== null && itemsDone > 0);
  const scored = groupBy(
    await scoredSkillsOf(
      db,
      finished.map(({ id }) => id),
    ),
    ({ sittingId }) => sittingId,
  );
  const [cameBy, runsBy, daysBy] = [
    groupBy(came, ({ personId }) => personId),
    groupBy(finished, ({ personId }) => personId),
    groupBy(days, ({ personId }) => personId),
  ];
  const dayOf = (instant: number) => dayNumber(dayAt(school, instant));
  const weekOf = (student: FrameStudent, week: DayRange): StudentWeek => {
    const inWeek = (day: number) => week.from <= day && day <= week.to && wasMember(student, day);
    const own = (daysBy.get(student.id) ?? []).filter(({ day }) => inWeek(day));
    const pieces = (runsBy.get(student.id) ?? []).filter(({ finishedAt }) => inWeek(dayOf(finishedAt ?? 0)));
    const grades = pieces.map(({ id }) =>
      pieceOfGrade(
        (scored.get(id) ?? []).flatMap(({ skillId, items }) => Array<number>(items).fill(skills.get(skillId) ?? 0)),
        student.grade,
      ),
    );
    const minutes = Math.round(own.reduce((sum, { milliseconds }) => sum + milliseconds, 0) / MINUTE);
    const whole = expectations.find(({ classId }) => classId === student.classId) ?? USUAL;
    const expected = expectedInWeek(whole, week, student.days, school.calendar);
    return {
      // Whoever answered was there, whatever the doors noted.
      signedIn: own.length > 0 || (cameBy.get(student.id) ?? []).some(({ at }) => inWeek(dayOf(at))),
      minutes,
      pieces: pieces.length,
      onGrade: grades.filter((grade) => grade !== "below").length,
      expected,
      standing: expected.pieces === 0 ? null : timeOrStruggle({ minutes, pieces: pieces.length }, expected),
    };
  };
  const students = here.map((student): WeekStudent => {
    const before = Array.from({ length: WEEKS - 1 }, (_, n) => (weeks[chosen]?.from ?? last) - DAYS_A_WEEK * (n + 1));
    const minutesFrom = (monday: number) =>
      (daysBy.get(student.id) ?? [])
        .filter(({ day }) => monday <= day && day < monday + DAYS_A_WEEK && wasMember(student, day))
        .reduce((sum, { milliseconds }) => sum + milliseconds, 0) / MINUTE;
    const change = momentum(minutesFrom(weeks[chosen]?.from ?? last), before.map(minutesFrom));
    return {
      id: student.id,
      name: student.name,
      classId: student.classId,
      weeks: weeks.map((week) => weekOf(student, week)),
      momentum: change === null ? null : Math.round(change * 100),
    };
  });
  const snags = await weekSnags(context, frame, here, from);
  const [first] = expectations;
  return {
    weeks: weeks.map((week) => ({
      from: dayOfNumber(week.from),
      words: weekWords(week.from),
      schoolDays: schoolDaysIn(week, school.calendar),
    })),
    chosen,
    expectation: first ? { minutes: first.minutes, pieces: first.pieces } : USUAL,
    isSet: first !== undefined,
    classIds: frame.classIds,
    students,
    snags,
    praise: students.flatMap(({ id, name, classId, weeks: own, momentum: change }) => {
      const because = praiseOf(
        own[chosen],
        snags.filter(({ studentId }) => studentId === id),
        change,
        weeks[chosen],
      );
      return because.length === 0 ? [] : [{ id, name, classId, because }];
    }),
    mayChange: subjects.every((subject) => may(staff, "change", subject)),
  };
}

const weekWords = (monday: number): string => format(new Date(`${dayOfNumber(monday)}T12:00:00`), "d MMM");

function schoolDaysIn({ from, to }: DayRange, calendar: Parameters<typeof isSchoolDay>[1]): number {
  let days = 0;
  for (let day = from; day <= to; day++) if (isSchoolDay(day, calendar)) days++;
  return days;
}

/** On a Monday the week has hardly begun: the one before is what there is to read. */
function usualWeek(weeks: readonly DayRange[], calendar: Parameters<typeof isSchoolDay>[1]): number {
  const place = weeks.length - 1;
  const under = weeks[place];
  return under && schoolDaysIn(under, calendar) < 2 ? place - 1 : place;
}

function praiseOf(
  week: StudentWeek | undefined,
  snags: readonly WeekView["snags"][number][],
  change: number | null,
  range: DayRange | undefined,
): PraiseCode[] {
  if (!week || !range) return [];
  const expected = Math.ceil(week.expected.pieces);
  return [
    ...(expected > 0 && week.pieces > expected ? [{ code: "through" as const, pieces: week.pieces, expected }] : []),
    ...snags
      .filter(({ state, helpers }) => state === "cleared" && helpers.length === 0)
      .map(({ skill }) => ({ code: "cleared-alone" as const, skill })),
    ...(change !== null && change > 0 ? [{ code: "momentum" as const, percent: change }] : []),
  ];
}
