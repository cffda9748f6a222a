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
/** The subject of all that the library teaches so far. */
const TAUGHT = "mathematics";
/** Skills further above the class's grade are for later. */
const GRADES_AHEAD = 1;

/**
 * The plan that a new class begins with: the library's skills spread over the term, up to one grade ahead. A class of another
 * subject, or of a grade for which the library holds nothing, begins without one.
 */
export async function planRows(runtime: Runtime, school: School): Promise<(row: PlannedClass) => readonly RowChange[]> {
  const { skills } = await libraryOf(runtime);
  const today = dayAt(school, runtime.now());
  const term = termAround(school.terms, today);
  return ({ id: classId, subject, grade, extra }) => {
    const fits = skills.some((skill) => skill.grade === grade);
    if (!term || !fits || subjectCode(subject, extra?.subjectCodes) !== TAUGHT) return [];
    const taught = skills.filter((skill) => skill.grade <= grade + GRADES_AHEAD).map(({ id }) => id);
    return spreadPlan(taught, term.startDay, DAYS_PER_SKILL, school.calendar).map((span, place) =>
      added("planEntries", { ...span, id: runtime.newId(), classId, place }),
    );
  };
}
