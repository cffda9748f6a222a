import "server-only";
import type { SeriesDay } from "@/core/model/series";
import { fullName } from "@/core/roster/fullName";
import { classesById, peopleById } from "@/db/queries/people";
import { piecesOfSeries, type SeriesRow, seriesById, seriesOfClasses } from "@/db/queries/series";
import { assignmentsById, targetsWithSittings } from "@/db/queries/work";
import { demandClasses } from "@/server/access/subjects";
import { shortNames } from "@/server/classroom/names";
import { daysOfSeries } from "@/server/classroom/seriesClass";
import { libraryOf } from "@/server/library/library";
import type { Context } from "@/server/runtime/context";
import { Refusal } from "@/server/runtime/refusal";
import { dayAt } from "@/server/runtime/school";
import type { SeriesLine, SeriesView } from "../seriesTypes";

/** The series of some classes that still give something, with their next day. */
export async function seriesLines(context: Context, classIds: readonly string[]): Promise<SeriesLine[]> {
  const { runtime } = context;
  await demandClasses(context, "see", classIds);
  const rows = (await seriesOfClasses(runtime.db.read, classIds)).filter(({ endedAt }) => endedAt === null);
  const classes = await classesById(
    runtime.db.read,
    rows.map(({ classId }) => classId),
  );
  const lines = await Promise.all(
    rows.map(async (row): Promise<SeriesLine | null> => {
      const next = await nextDay(context, row);
      if (next === null) return null;
      const className = classes.find(({ id }) => id === row.classId)?.name ?? "";
      return { id: row.id, title: row.title, kind: row.kind, className, rules: row.rules, nextDay: next.day };
    }),
  );
  return lines.filter((line) => line !== null);
}

async function nextDay({ runtime }: Context, row: SeriesRow): Promise<SeriesDay | null> {
  const { school, days } = await daysOfSeries(runtime.db.read, runtime, row);
  const today = dayAt(school, runtime.now());
  return days.find(({ day }) => day > today) ?? null;
}

/** A series with all that it gave: how each piece went, student by student, and what is to come. */
export async function seriesView(context: Context, seriesId: string): Promise<SeriesView> {
  const { runtime } = context;
  const db = runtime.db.read;
  const row = await seriesById(db, seriesId);
  if (!row) throw new Refusal("not-found", "This series is not there any more.");
  await demandClasses(context, "see", [row.classId]);
  const [{ school, days }, pieces, [own], [owner], library] = await Promise.all([
    daysOfSeries(db, runtime, row),
    piecesOfSeries(db, seriesId),
    classesById(db, [row.classId]),
    peopleById(db, [row.ownerId]),
    libraryOf(runtime),
  ]);
  const open = pieces.filter(({ withdrawnAt }) => withdrawnAt === null);
  const ids = open.map(({ id }) => id);
  const [works, targets] = await Promise.all([assignmentsById(db, ids), targetsWithSittings(db, ids)]);
  const people = [...new Map(targets.map(({ person }) => [person.id, person])).values()];
  const names = shortNames(people);
  const today = dayAt(school, runtime.now());
  return {
    id: row.id,
    title: row.title,
    kind: row.kind,
    rules: row.rules,
    className: own?.name ?? "",
    owner: owner ? fullName(owner) : "",
    skills: row.rules.source.by === "skills" ? row.rules.source.skillIds.map((id) => library.skill(id).name) : [],
    ended: row.endedAt !== null,
    coming: row.endedAt === null ? days.filter(({ day }) => day > today) : [],
    pieces: open.map(({ id, day }) => {
      const runs = targets.filter(({ target }) => target.assignmentId === id);
      const done = runs.reduce((sum, { sitting }) => sum + (sitting?.itemsDone ?? 0), 0);
      const right = runs.reduce((sum, { sitting }) => sum + (sitting?.itemsRight ?? 0), 0);
      return {
        id,
        day: day ?? "",
        title: works.find((work) => work.id === id)?.title ?? "",
        given: runs.length,
        through: runs.filter(({ throughAt }) => throughAt !== null).length,
        sharePercent: done === 0 ? null : Math.round((100 * right) / done),
      };
    }),
    rows: people
      .map((person) => ({
        id: person.id,
        name: names.get(person.id) ?? "",
        cells: open.map(({ id }) => {
          const run = targets.find(({ target }) => target.assignmentId === id && target.personId === person.id);
          if (!run) return null;
          return { done: run.sitting?.itemsDone ?? 0, right: run.sitting?.itemsRight ?? 0 };
        }),
      }))
      .sort((x, y) => x.name.localeCompare(y.name)),
  };
}
