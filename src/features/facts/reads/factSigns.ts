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
    const standings = await factStandings(db, classId, ids);
    for (const id of ids) {
      const standing = standings.get(id);
      const own = days.filter(({ personId }) => personId === id);
      const last = own.at(-1);
      if (!standing?.on || !last) continue;
      const one = { id, name: names.get(id) ?? "" };
      const numbered = own.map((row) => ({
        ...row,
        day: dayNumber(row.day),
        seconds: row.milliseconds / MILLISECONDS,
      }));
      if (schoolDaysBetween(last.day, today, school.calendar) > MISSED_AFTER) missed.push(one);
      else if (
        factMomentum(numbered, dayNumber(today)).stalled &&
        // Where everything is known, nothing new can come.
        knownFamilies(standing).some(({ known, of }) => known < of)
      )
        stalled.push(one);
    }
  }
  return { stalled, missed };
}
