import "server-only";
import { array, mixed, object, string } from "yup";
import { dayNumber } from "@/core/calendar/dayNumber";
import { gaugesOfStudent } from "@/core/mastery/gaugesOfStudent";
import { LEVEL_CUTS } from "@/core/model/levels";
import { PLAN_START_FROM, type PlanStartFrom } from "@/core/model/planPlace";
import { startingSlot, startingSlotOfGrade } from "@/core/plan/startingSlot";
import { studentsOfClasses } from "@/db/queries/people";
import { startsOfPlan } from "@/db/queries/plan";
import { added, changed } from "@/db/queries/rowChanges";
import type { RowChange } from "@/db/schema/history";
import { demandClasses } from "@/server/access/subjects";
import { knownOf } from "@/server/classroom/knownOf";
import { recordChange } from "@/server/history/recordChange";
import { libraryOf } from "@/server/library/library";
import { classPlanOf } from "@/server/plan/classPlan";
import { offeredSlots } from "@/server/plan/nextInPlan";
import { rowsOfPlan } from "@/server/plan/rowsOfPlan";
import { slotTitle } from "@/server/plan/slotTitle";
import type { Context } from "@/server/runtime/context";
import { Refusal } from "@/server/runtime/refusal";
import { validated } from "@/server/runtime/validated";

const startsInput = object({
  classId: string().required(),
  studentIds: array(string().required()).min(1, "Tick at least one student.").max(400).required(),
  from: mixed<PlanStartFrom>().oneOf(PLAN_START_FROM, "Choose where they begin.").required("Choose where they begin."),
  slotId: string().optional(),
});

/**
 * Sets where students of a class begin its plan: by what they have shown, by their grade, at a slot, or at its beginning. Slots that are left out here are no
 * beginning.
 */
export async function setStarts(context: Context, raw: unknown): Promise<{ changeId: string | null; moved: number }> {
  const { classId, studentIds, from, slotId } = validated(startsInput, raw);
  const { runtime } = context;
  await demandClasses(context, "change", [classId]);
  const library = await libraryOf(runtime);
  return runtime.db.write(async (tx) => {
    const plan = await classPlanOf(tx, runtime, classId);
    const enrolled = await studentsOfClasses(tx, [classId], plan.today);
    const wanted = enrolled.filter(({ person }) => studentIds.includes(person.id));
    if (wanted.length !== new Set(studentIds).size)
      throw new Refusal("invalid", "Some of the ticked students are no longer in the class. Open the page again.");
    const offered = offeredSlots(plan, library).filter(({ dates }) => dates !== null);
    const chosen = plan.slots.find(({ id }) => id === slotId);
    if (from === "slot" && !offered.some(({ id }) => id === slotId))
      throw new Refusal("invalid", "This slot is not in the plan any more, or is left out. Choose another one.");
    const shownBy = await knownOf(tx, studentIds);
    const day = dayNumber(plan.today);
    const beginning = ({ person }: (typeof wanted)[number]): string | null => {
      if (from === "slot") return slotId ?? null;
      if (from === "first") return null;
      const grade = person.grade ?? plan.class.grade;
      if (from === "grade") return startingSlotOfGrade(offered, (id) => library.skill(id).grade, grade);
      const gauges = gaugesOfStudent({ grade, ...shownBy(person.id) }, library.skills, day);
      return startingSlot(offered, (id) => gauges.get(id)?.chance ?? 0, LEVEL_CUTS.secure);
    };
    // A plan that was never worked on is written down first: places hang on its slots.
    const planRows = plan.row ? [] : rowsOfPlan(runtime, plan, plan);
    const planId = plan.row?.id ?? planRows.find(({ table }) => table === "plans")?.id;
    if (!planId) throw new Refusal("invalid", "This class has no plan yet. Choose a year first.");
    const known = new Map((await startsOfPlan(tx, planId)).map((row) => [row.personId, row]));
    const starts = wanted.flatMap((student): RowChange[] => {
      const at = beginning(student);
      const row = known.get(student.person.id);
      if ((row?.slotId ?? null) === at) return [];
      if (at === null) return row ? [{ table: "planStarts", id: row.id, before: { ...row }, after: null }] : [];
      if (row) return [changed("planStarts", row, { slotId: at })];
      return [added("planStarts", { id: runtime.newId(), planId, personId: student.person.id, slotId: at })];
    });
    if (starts.length === 0) return { changeId: null, moved: 0 };
    const facts = {
      students: starts.length,
      from,
      slot: from === "slot" && chosen ? slotTitle(chosen, library) : null,
    };
    const rows = [...planRows, ...starts];
    return {
      changeId: await recordChange(tx, context, { kind: "plan-starts-set", facts, classId, rows }),
      moved: starts.length,
    };
  });
}
