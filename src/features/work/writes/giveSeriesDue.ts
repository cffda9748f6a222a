import "server-only";
import { format, parseISO } from "date-fns";
import { dayAfter } from "@/core/calendar/dayAfter";
import { dayBefore } from "@/core/calendar/dayBefore";
import type { SeriesDay } from "@/core/model/series";
import { conductorOf } from "@/core/work/conductors/conductorOf";
import { seriesSkills } from "@/core/work/seriesSkills";
import { errorKind } from "@/db/errorKind";
import { personById, studentsOfClasses } from "@/db/queries/people";
import { plansOf } from "@/db/queries/plan";
import { piecesOfSeries, runningSeries, type SeriesRow } from "@/db/queries/series";
import type { Queryable } from "@/db/queryable";
import { actorOf } from "@/server/access/actorOf";
import { may } from "@/server/access/policy";
import { classSubjects } from "@/server/access/subjects";
import { daysOfSeries } from "@/server/classroom/seriesClass";
import { workRows } from "@/server/classroom/workRows";
import { recordChange } from "@/server/history/recordChange";
import type { Context } from "@/server/runtime/context";
import { log } from "@/server/runtime/log";
import type { Runtime } from "@/server/runtime/runtime";
import { dayAt, instantAt, type School } from "@/server/runtime/school";

/** A series of a school somewhere may be on the day before or after. */
const utcDay = (runtime: Runtime) => new Date(runtime.now()).toISOString().slice(0, 10);

/**
 * Gives each piece of a series whose day has come and whose due day is not over. Any number of processes may look: a day has one piece. Whoever set the series
 * up gives it, as long as they teach the class.
 */
export async function giveSeriesDue(runtime: Runtime): Promise<number> {
  const around = utcDay(runtime);
  const running = await runningSeries(runtime.db.read, daysBack(around), dayAfter(around));
  let given = 0;
  for (const row of running) {
    const { school, days } = await daysOfSeries(runtime.db.read, runtime, row);
    const today = dayAt(school, runtime.now());
    const due = days.filter((piece) => piece.day <= today && piece.due >= today);
    // Looked at twice a minute: what was given is found without opening a change.
    const known = due.length === 0 ? [] : await piecesOfSeries(runtime.db.read, row.id);
    for (const piece of due.filter(({ day }) => !known.some((one) => one.day === day)))
      if (await givePiece(runtime, row, school, piece)) given++;
  }
  return given;
}

/** A piece may be due some weeks after its day, when its series has ended by its last day. */
function daysBack(day: string): string {
  let back = day;
  for (let n = 0; n < 40; n++) back = dayBefore(back);
  return back;
}

async function givePiece(runtime: Runtime, row: SeriesRow, school: School, piece: SeriesDay): Promise<boolean> {
  const owner = await personById(runtime.db.read, row.ownerId);
  const actor = owner ? await actorOf(runtime, owner) : null;
  if (actor?.kind !== "staff") return false;
  const context: Context = { runtime, actor };
  try {
    return await runtime.db.write((tx) => giveIn(tx, context, row, school, piece));
  } catch (error) {
    // Another process gave it at this moment.
    if (errorKind(error) === "unique") return false;
    throw error;
  }
}

async function giveIn(
  tx: Queryable,
  context: Context,
  row: SeriesRow,
  school: School,
  { day, due }: SeriesDay,
): Promise<boolean> {
  const { runtime, actor } = context;
  if ((await piecesOfSeries(tx, row.id)).some((piece) => piece.day === day)) return false;
  const [subject] = await classSubjects(tx, actor, [row.classId]);
  if (!subject || !may(actor, "change", subject)) return false;
  const enrolled = (await studentsOfClasses(tx, [row.classId], day)).map(({ person }) => person.id);
  const studentIds = enrolled.filter((id) => row.studentIds === null || row.studentIds.includes(id));
  const { goesOver } = conductorOf(row.kind);
  const most = goesOver.by === "skills" ? goesOver.most : 0;
  const skillIds = seriesSkills(row.rules.source, await plansOf(tx, [row.classId]), day, most);
  // With nobody there, or nothing taught in these weeks, the day has no piece.
  if (studentIds.length === 0 || skillIds.length === 0) return false;
  const title = `${row.title}, ${format(parseISO(day), "d MMM")}`;
  await recordChange(tx, context, {
    kind: "series-piece-given",
    facts: { title, students: studentIds.length },
    classId: row.classId,
    rows: workRows(
      context,
      {
        title,
        instructions: "",
        parts: [{ kind: row.kind, skillIds: [...skillIds], settings: { items: row.rules.items } }],
      },
      [
        {
          id: runtime.newId(),
          classId: row.classId,
          studentIds,
          opensAt: instantAt(school, day, "06:00"),
          dueAt: instantAt(school, due, "20:00"),
          series: { id: row.id, day },
        },
      ],
    ),
  });
  return true;
}

const LOOK_MILLISECONDS = 30_000;

/** Looks for such pieces as long as the process runs. */
export function watchSeries(runtime: Runtime): void {
  const look = () =>
    void giveSeriesDue(runtime).catch((error: unknown) => log("error", "a series could not be given", { error }));
  look();
  setInterval(look, LOOK_MILLISECONDS).unref();
}
