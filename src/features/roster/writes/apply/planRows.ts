import "server-only";
import { termAround } from "@/core/calendar/termOn";
import { subjectCode } from "@/core/roster/subjectCode";
import type { RowChange } from "@/db/schema/history";
import { type Library, libraryOf } from "@/server/library/library";
import { type ClassSlot, newSlot } from "@/server/plan/classSlot";
import { rowsOfPlan } from "@/server/plan/rowsOfPlan";
import { slotOfUnit } from "@/server/plan/slotOfUnit";
import type { Runtime } from "@/server/runtime/runtime";
import { dayAt, type School } from "@/server/runtime/school";
import type { PlannedClass } from "../../reads/tables/plannedClass";

/** Lessons that a new class's plan gives to each skill where there are no units. */
const LESSONS_A_SKILL = 6;
/** With so many skills of its own a grade fills its year. */
const SKILLS_OF_A_YEAR = 8;
/** Where a grade has fewer: skills further above it are for later, and those further below have been. */
const GRADES_AHEAD = 1;
const GRADES_BEHIND = 2;

const EVERY_DAY = [1, 2, 3, 4, 5] as const;

/**
 * The plan that a new class begins with: the units of its grade as a year. Where no units are written for it, the library's skills of its grade one after another,
 * and where they would not fill a term, two grades below and one ahead too. A class of another subject, or of a grade for which the library holds nothing,
 * begins without one.
 */
export async function planRows(runtime: Runtime, school: School): Promise<(row: PlannedClass) => readonly RowChange[]> {
  const library = await libraryOf(runtime);
  const term = termAround(school.terms, dayAt(school, runtime.now()));
  return ({ extra, ...own }) => {
    const subjectId = subjectCode(own.subject, extra?.subjectCodes);
    const slots = subjectId === null ? [] : slotsFor(runtime, library, subjectId, own.grade);
    if (!term || subjectId === null || slots.length === 0) return [];
    return rowsOfPlan(
      runtime,
      { row: null, slotRows: [], entries: [], subjectId, class: own },
      {
        firstDay: term.startDay,
        calendar: { ...school.calendar, weekdays: EVERY_DAY },
        runById: null,
        pace: "own",
        slots,
      },
    );
  };
}

function slotsFor(runtime: Runtime, { units, skills }: Library, subjectId: string, grade: number): ClassSlot[] {
  const year = units.filter((unit) => unit.subjectId === subjectId && unit.grade === grade);
  if (year.length > 0) return year.map((unit) => slotOfUnit(runtime.newId(), unit, EVERY_DAY.length));
  const taughtHere = skills.filter((skill) => skill.subjectId === subjectId);
  const own = taughtHere.filter((skill) => skill.grade === grade);
  if (own.length === 0) return [];
  const around = taughtHere.filter(
    (skill) => skill.grade <= grade + GRADES_AHEAD && skill.grade >= grade - GRADES_BEHIND,
  );
  return (own.length >= SKILLS_OF_A_YEAR ? own : around).map(({ id }) =>
    newSlot({ id: runtime.newId(), kind: "skills", skillIds: [id], lessons: LESSONS_A_SKILL }),
  );
}
