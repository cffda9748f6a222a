import "server-only";
import { spreadPlan } from "@/core/calendar/spreadPlan";
import { termAround } from "@/core/calendar/termOn";
import { subjectCode } from "@/core/roster/subjectCode";
import { added } from "@/db/queries/rowChanges";
import type { RowChange } from "@/db/schema/history";
import { libraryOf } from "@/server/library/library";
import type { Runtime } from "@/server/runtime/runtime";
import { dayAt, type School } from "@/server/runtime/school";
import type { PlannedClass } from "../../reads/tables/plannedClass";

/** School days that a new class's plan gives to each skill. */
const DAYS_PER_SKILL = 6;
/** With so many skills of its own a grade fills its year. */
const SKILLS_OF_A_YEAR = 8;
/** Where a grade has fewer: skills further above it are for later, and those further below have been. */
const GRADES_AHEAD = 1;
const GRADES_BEHIND = 2;

/**
 * The plan that a new class begins with: the library's skills of its grade, spread over the term; where they would not fill
 * it, two grades below and one ahead too. A class of another subject, or of a grade for which the library holds nothing, begins
 * without one.
 */
export async function planRows(runtime: Runtime, school: School): Promise<(row: PlannedClass) => readonly RowChange[]> {
  const { skills } = await libraryOf(runtime);
  const today = dayAt(school, runtime.now());
  const term = termAround(school.terms, today);
  return ({ id: classId, subject, grade, extra }) => {
    const taughtHere = skills.filter(({ subjectId }) => subjectId === subjectCode(subject, extra?.subjectCodes));
    const own = taughtHere.filter((skill) => skill.grade === grade);
    if (!term || own.length === 0) return [];
    const around = taughtHere.filter(
      (skill) => skill.grade <= grade + GRADES_AHEAD && skill.grade >= grade - GRADES_BEHIND,
    );
    const taught = (own.length >= SKILLS_OF_A_YEAR ? own : around).map(({ id }) => id);
    return spreadPlan(taught, term.startDay, DAYS_PER_SKILL, school.calendar).map((span, place) =>
      added("planEntries", { ...span, id: runtime.newId(), classId, place }),
    );
  };
}
