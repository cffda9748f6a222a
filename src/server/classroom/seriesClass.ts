import "server-only";
import type { SeriesDay } from "@/core/model/series";
import { seriesDays } from "@/core/work/seriesDays";
import { classesById } from "@/db/queries/people";
import type { SeriesRow } from "@/db/queries/series";
import type { Queryable } from "@/db/queryable";
import type { Runtime } from "@/server/runtime/runtime";
import { type School, schoolOf } from "@/server/runtime/school";

/** The days of a series by the calendar of its class's school as it stands now. */
export async function daysOfSeries(
  db: Queryable,
  runtime: Runtime,
  row: SeriesRow,
): Promise<{ readonly school: School; readonly days: readonly SeriesDay[] }> {
  const [own] = await classesById(db, [row.classId]);
  const school = await schoolOf(runtime, own?.schoolId ?? "");
  return { school, days: seriesDays(row.rules, row, school.calendar) };
}
