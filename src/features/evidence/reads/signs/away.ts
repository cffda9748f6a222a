import "server-only";
import { dayNumber } from "@/core/calendar/dayNumber";
import { dayOfNumber } from "@/core/calendar/dayOfNumber";
import { schoolDaysBetween } from "@/core/calendar/schoolDaysBetween";
import { lastSeenOf } from "@/db/queries/weeks";
import type { Runtime } from "@/server/runtime/runtime";
import { dayAt } from "@/server/runtime/school";
import type { AwaySign } from "../../signTypes";
import type { FrameStudent, ReportFrame } from "../frame";

/** A weekend and a cold are no reason to ask. */
const LEAST_SCHOOL_DAYS = 4;

/** Who has not been seen for some school days, the longest away first. Who never came at all is a matter of the roster. */
export async function awayOf(
  runtime: Runtime,
  { school, today }: ReportFrame,
  here: readonly FrameStudent[],
): Promise<AwaySign[]> {
  const seen = await lastSeenOf(
    runtime.db.read,
    here.map(({ id }) => id),
  );
  return here
    .flatMap(({ id, name, classId }): AwaySign[] => {
      const last = seen.get(id);
      if (!last) return [];
      const signedIn = last.at === null ? 0 : dayNumber(dayAt(school, last.at));
      const day = dayOfNumber(Math.max(signedIn, last.day ?? 0));
      // The day of today is not over yet.
      const away = schoolDaysBetween(day, dayOfNumber(dayNumber(today) - 1), school.calendar);
      return away < LEAST_SCHOOL_DAYS ? [] : [{ id, name, classId, schoolDays: away }];
    })
    .sort((x, y) => y.schoolDays - x.schoolDays || x.name.localeCompare(y.name));
}
