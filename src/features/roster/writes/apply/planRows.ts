import "server-only";
import { spreadPlan } from "@/core/calendar/spreadPlan";
import { added } from "@/db/queries/rowChanges";
import type { RowChange } from "@/db/schema/history";
import { libraryOf } from "@/server/runtime/library";
import type { Runtime } from "@/server/runtime/runtime";
import { dayAt, type School } from "@/server/runtime/school";

/** School days that a new class's plan gives to each skill. */
const DAYS_PER_SKILL = 6;

/** The plan that a new class of mathematics begins with: the library's skills spread over the term. */
export async function planRows(
  runtime: Runtime,
  school: School,
): Promise<(row: { readonly id: string; readonly subject: string }) => readonly RowChange[]> {
  const library = await libraryOf(runtime);
  const today = dayAt(school, runtime.now());
  const term = school.terms.find(({ startDay, endDay }) => startDay <= today && today <= endDay) ?? school.terms.at(-1);
  const skillIds = library.skills.map(({ id }) => id);
  const plan = term ? spreadPlan(skillIds, term.startDay, DAYS_PER_SKILL, school.calendar) : [];
  return ({ id: classId, subject }) =>
    /math/i.test(subject)
      ? plan.map((span, place) => added("planEntries", { ...span, id: runtime.newId(), classId, place }))
      : [];
}
