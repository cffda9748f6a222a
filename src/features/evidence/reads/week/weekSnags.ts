import "server-only";
import { format } from "date-fns";
import { dayNumber } from "@/core/calendar/dayNumber";
import { dayOfNumber } from "@/core/calendar/dayOfNumber";
import { snagOf } from "@/core/mastery/snagOf";
import { fullName } from "@/core/roster/fullName";
import { whySnag } from "@/core/why/whySnag";
import { reteachesOfStudents } from "@/db/queries/regroup";
import { talksOf } from "@/db/queries/talks";
import { snagsSince } from "@/db/queries/weeks";
import { libraryOf } from "@/server/library/library";
import type { Context } from "@/server/runtime/context";
import { dayAt } from "@/server/runtime/school";
import type { WeekSnag } from "../../weekTypes";
import { type FrameStudent, isOfGrade, type ReportFrame } from "../frame";

/** Snags that were open in the weeks in view: since when, how often, cleared alone or with whose help, gone on with or left. */
export async function weekSnags(
  { runtime }: Context,
  frame: ReportFrame,
  students: readonly FrameStudent[],
  fromDay: number,
): Promise<WeekSnag[]> {
  const db = runtime.db.read;
  const ids = students.map(({ id }) => id);
  const [snags, reteaches, talks, library] = await Promise.all([
    snagsSince(db, ids, fromDay),
    reteachesOfStudents(db, ids),
    talksOf(db, ids),
    libraryOf(runtime),
  ]);
  const today = dayNumber(frame.today);
  const inSight = new Set(frame.skills.map(({ id }) => id));
  return snags
    .flatMap((row): WeekSnag[] => {
      const student = students.find(({ id }) => id === row.personId);
      const skill = library.skillIfKnown(row.skillId);
      if (!student || !skill || !inSight.has(skill.id) || row.snagDay === null) return [];
      if (!isOfGrade(frame.params.ofGrade, skill.grade, student.grade)) return [];
      const help = [
        ...reteaches
          .filter(({ own, skillId }) => own.personId === row.personId && skillId === row.skillId)
          .map(({ day, by }) => ({ day: dayNumber(day), by: fullName(by) })),
        ...talks
          .filter(({ note }) => note.personId === row.personId && note.skillId === row.skillId)
          .map(({ note, by }) => ({ day: dayNumber(dayAt(frame.school, note.at)), by: fullName(by) })),
      ];
      const snag = snagOf(row, help);
      if (!snag) return [];
      return [
        {
          studentId: student.id,
          name: student.name,
          skillId: skill.id,
          skill: skill.name,
          since: inWords(snag.sinceDay),
          sinceDay: snag.sinceDay,
          times: row.snagTimes,
          state: snag.clearedDay === null ? "open" : "cleared",
          cleared: snag.clearedDay === null ? null : inWords(snag.clearedDay),
          helpers: snag.withHelpOf,
          goesOn: row.lastDay > snag.sinceDay,
          why: whySnag(row, today),
        },
      ];
    })
    .sort((x, y) => x.sinceDay - y.sinceDay || x.name.localeCompare(y.name));
}

const inWords = (day: number): string => format(new Date(`${dayOfNumber(day)}T12:00:00`), "d MMM");
