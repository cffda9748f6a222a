import "server-only";
import { dayNumber } from "@/core/calendar/dayNumber";
import { dayOfNumber } from "@/core/calendar/dayOfNumber";
import { schoolDaysBetween } from "@/core/calendar/schoolDaysBetween";
import { factMomentum } from "@/core/fluency/factMomentum";
import { classesWithFacts, factDaysOf } from "@/db/queries/facts";
import { studentsOfClasses } from "@/db/queries/people";
import { demandClasses } from "@/server/access/subjects";
import { shortNames } from "@/server/classroom/names";
import { factStandings } from "@/server/facts/factStanding";
import type { Context } from "@/server/runtime/context";
import { dayAt, schoolOf } from "@/server/runtime/school";
import type { FactSigns } from "../types";
import { knownFamilies } from "./ownFacts";

const DAYS_LOOKED_BACK = 42;
/** School days without practice after which somebody is missed. */
const MISSED_AFTER = 5;
const MILLISECONDS = 1000;

/** Who practises facts and learns nothing new, and who has stopped practising. */
export async function factSigns(context: Context, classIds: readonly string[]): Promise<FactSigns> {
  await demandClasses(context, "see", classIds);
  const { runtime, actor } = context;
  const db = runtime.db.read;
  const school = await schoolOf(runtime, actor.schoolId);
  const today = dayAt(school, runtime.now());
  const stalled: FactSigns["stalled"][number][] = [];
  const missed: FactSigns["missed"][number][] = [];
  for (const classId of await classesWithFacts(db, classIds)) {
    const students = (await studentsOfClasses(db, [classId], today)).map(({ person }) => person);
    const ids = students.map(({ id }) => id);
    const names = shortNames(students);
    const days = await factDaysOf(db, ids, dayOfNumber(dayNumber(today) - DAYS_LOOKED_BACK));
    const candidates = ids.flatMap((id) => {
      const own = days.filter(({ personId }) => personId === id);
      const last = own.at(-1);
      if (!last) return [];
      const numbered = own.map((row) => ({
        ...row,
        day: dayNumber(row.day),
        seconds: row.milliseconds / MILLISECONDS,
      }));
      const isMissed = schoolDaysBetween(last.day, today, school.calendar) > MISSED_AFTER;
      return isMissed || factMomentum(numbered, dayNumber(today)).stalled ? [{ id, isMissed }] : [];
    });
    // What each fact comes to is read of those alone whom their days make worth a look.
    const standings = await factStandings(
      db,
      classId,
      candidates.map(({ id }) => id),
    );
    for (const { id, isMissed } of candidates) {
      const standing = standings.get(id);
      if (!standing?.on) continue;
      const one = { id, name: names.get(id) ?? "" };
      if (isMissed) missed.push(one);
      // Where everything is known, nothing new can come.
      else if (knownFamilies(standing).some(({ known, of }) => known < of)) stalled.push(one);
    }
  }
  return { stalled, missed };
}
