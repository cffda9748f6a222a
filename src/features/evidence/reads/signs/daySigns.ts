import "server-only";
import { dayOfNumber } from "@/core/calendar/dayOfNumber";
import { isSchoolDay, type SchoolCalendar } from "@/core/calendar/isSchoolDay";
import { conductorOf } from "@/core/work/conductors/conductorOf";
import { praisedSince } from "@/db/queries/live";
import { runsBetween, triedInRuns } from "@/db/queries/weeks";
import { assignmentsById } from "@/db/queries/work";
import type { Context } from "@/server/runtime/context";
import { instantAt } from "@/server/runtime/school";
import type { DaySigns } from "../../signTypes";
import type { WeekView } from "../../weekTypes";
import { readFrame } from "../frame";
import { weekReport } from "../week/weekReport";
import { awayOf } from "./away";
import { rushesOf } from "./rushes";
import { surprisesOf } from "./surprises";

/** School days, with today, whose work is looked through: what is older was there to be seen. */
const DAYS = 5;

/** What the last days' evidence says without being asked: who stayed away, rushed, surprised, and deserves a word. */
export async function daySigns(context: Context, classIds: readonly string[]): Promise<DaySigns> {
  const { runtime } = context;
  const db = runtime.db.read;
  const frame = await readFrame(context, classIds, {});
  const here = frame.students.filter(({ left }) => !left);
  const ids = here.map(({ id }) => id);
  const [from, until] = [firstOf(frame.range.to, frame.school.calendar), frame.range.to + 1];
  const instant = (day: number) => instantAt(frame.school, dayOfNumber(day), "00:00");
  const [week, runs] = await Promise.all([
    weekReport(context, frame, {}),
    runsBetween(db, ids, { from: instant(from), until: instant(until) }),
  ]);
  // Where students were being placed, a fast or a strange answer is what the placing looks for.
  const finished = runs.filter(
    ({ kind, classId, finishedAt, itemsDone }) =>
      finishedAt !== null && itemsDone > 0 && classIds.includes(classId) && conductorOf(kind).goesOver.by !== "strands",
  );
  const [tried, works] = await Promise.all([
    triedInRuns(
      db,
      finished.map(({ id }) => id),
    ),
    assignmentsById(db, [...new Set(finished.map(({ assignmentId }) => assignmentId))]),
  ]);
  const chosen = week.weeks[week.chosen]?.from ?? "";
  const around = { frame, here, runs: finished, titles: new Map(works.map(({ id, title }) => [id, title])) };
  const [away, rushes, surprises, praised] = await Promise.all([
    awayOf(runtime, frame, here),
    rushesOf(runtime, tried, around),
    surprisesOf(runtime, around),
    praisedSince(db, ids, instantAt(frame.school, chosen, "00:00")),
  ]);
  return {
    away,
    rushes,
    surprises,
    praise: { week: chosen, students: standOut(week.praise, here.length).filter(({ id }) => !praised.has(id)) },
  };
}

/** What more than a third of a class has done is good news, and no reason to single somebody out. */
function standOut(all: WeekView["praise"], students: number): WeekView["praise"] {
  const having = (code: string) => all.filter(({ because }) => because.some((one) => one.code === code)).length;
  return all
    .map((one) => ({ ...one, because: one.because.filter(({ code }) => having(code) * 3 <= students) }))
    .filter(({ because }) => because.length > 0);
}

function firstOf(today: number, calendar: SchoolCalendar): number {
  let day = today;
  for (let left = isSchoolDay(today, calendar) ? DAYS - 1 : DAYS; left > 0; ) if (isSchoolDay(--day, calendar)) left--;
  return day;
}
