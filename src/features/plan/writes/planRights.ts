import "server-only";
import { object, string } from "yup";
import { PLAN_LEVELS } from "@/core/model/planPlace";
import { personById, schoolById, schoolsAround } from "@/db/queries/people";
import { added, changed } from "@/db/queries/rowChanges";
import { rightsOfPlans } from "@/db/queries/sharedPlans";
import type { RowChange } from "@/db/schema/history";
import { recordChange } from "@/server/history/recordChange";
import type { Context } from "@/server/runtime/context";
import { Refusal } from "@/server/runtime/refusal";
import { validated } from "@/server/runtime/validated";
import { ownPlan } from "./sharedPlans";

const openInput = object({
  planId: string().required(),
  /** A colleague, or everybody of a school. */
  personId: string().nullable().default(null),
  schoolId: string().nullable().default(null),
  level: string()
    .oneOf([...PLAN_LEVELS], "Choose what may be done with the plan.")
    .required("Choose what may be done with the plan."),
});

/** Opens a plan to a colleague or to a school's staff, or changes what they may do. */
export async function openPlan(context: Context, raw: unknown): Promise<{ changeId: string }> {
  const { planId, personId, schoolId, level } = validated(openInput, raw);
  const { runtime } = context;
  if ((personId === null) === (schoolId === null)) throw new Refusal("invalid", "Choose a colleague or a school.");
  return runtime.db.write(async (tx) => {
    const plan = await ownPlan(tx, context, planId);
    const school = (await schoolsAround(tx, plan.schoolId)).find(({ id }) => id === schoolId) ?? null;
    if (schoolId !== null && !school) throw new Refusal("not-found", "This school is not there any more.");
    if (personId !== null) {
      const colleague = await personById(tx, personId);
      if (colleague?.kind !== "staff" || colleague.archivedAt !== null || colleague.schoolId !== plan.schoolId)
        throw new Refusal("not-found", "This colleague is not at the school any more. Choose somebody else.");
      if (plan.ownerId === personId) throw new Refusal("conflict", "The plan is theirs already.");
    }
    const known = (await rightsOfPlans(tx, [planId])).find(
      (one) => one.personId === personId && one.schoolId === schoolId,
    );
    if (known?.level === level) throw new Refusal("conflict", "They may do that already; nothing was changed.");
    const row = known
      ? changed("planRights", known, { level })
      : added("planRights", { id: runtime.newId(), planId, personId, schoolId, level });
    const facts = { name: plan.name, personId, school: school?.name ?? null, level };
    const told = { kind: "plan-opened", facts, classId: null, subjectIds: [planId], rows: [row] } as const;
    return { changeId: await recordChange(tx, context, told) };
  });
}

/** Takes a right to a plan away; copies that were made stay. */
export async function closePlan(context: Context, raw: unknown): Promise<{ changeId: string }> {
  const { planId, rightId } = validated(object({ planId: string().required(), rightId: string().required() }), raw);
  return context.runtime.db.write(async (tx) => {
    const plan = await ownPlan(tx, context, planId);
    const known = (await rightsOfPlans(tx, [planId])).find(({ id }) => id === rightId);
    if (!known) throw new Refusal("not-found", "This right is gone already.");
    const school = known.schoolId === null ? null : await schoolById(tx, known.schoolId);
    const facts = { name: plan.name, personId: known.personId, school: school?.name ?? null };
    const rows: RowChange[] = [{ table: "planRights", id: rightId, before: { ...known }, after: null }];
    const told = { kind: "plan-closed", facts, classId: null, subjectIds: [planId], rows } as const;
    return { changeId: await recordChange(tx, context, told) };
  });
}
