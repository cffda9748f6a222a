import "server-only";
import { groupBy } from "@/core/collections/groupBy";
import { type OwnedPlan, plansAround, rightsOfPlans, sharedPlanById } from "@/db/queries/sharedPlans";
import type { Queryable } from "@/db/queryable";
import type { Context } from "@/server/runtime/context";
import { demand } from "./demand";
import { may, type PlanSubject, type StaffActor, type VerbOf } from "./policy";

/** Plans that are no class's own, as the policy asks about them. */
async function subjectsOf(db: Queryable, plans: readonly OwnedPlan[]): Promise<ReadonlyMap<string, PlanSubject>> {
  const ids = plans.map(({ id }) => id);
  const rights = groupBy(await rightsOfPlans(db, ids), ({ planId }) => planId);
  return new Map(
    plans.map(({ id, schoolId, ownerId, ownerLeft, archivedAt }) => [
      id,
      {
        kind: "plan",
        planId: id,
        schoolId: archivedAt === null ? schoolId : null,
        ownerId,
        ownerLeft,
        rights: rights.get(id) ?? [],
      },
    ]),
  );
}

/** A plan as the policy asks about it, put away or not there included. */
export async function planSubject(db: Queryable, planId: string): Promise<PlanSubject> {
  const plan = await sharedPlanById(db, planId);
  const found = plan ? (await subjectsOf(db, [plan])).get(planId) : null;
  return found ?? { kind: "plan", planId, schoolId: null, ownerId: null, ownerLeft: false, rights: [] };
}

/** Goes on only when the policy allows it for the plan. */
export async function demandPlan(
  context: Context,
  verb: VerbOf<"plan">,
  planId: string,
  db: Queryable = context.runtime.db.read,
): Promise<void> {
  demand(context.actor, verb, await planSubject(db, planId));
}

/** A plan that is open to somebody, with what they may do with it. */
export interface OpenPlan {
  readonly plan: OwnedPlan;
  readonly mayChange: boolean;
  readonly mayLookAfter: boolean;
}

/** Every plan that a member of staff may use, and those put away that they looked after. */
export async function openPlans(
  { runtime }: Pick<Context, "runtime">,
  staff: StaffActor,
): Promise<{ readonly open: readonly OpenPlan[]; readonly putAway: readonly OwnedPlan[] }> {
  const db = runtime.db.read;
  const around = await plansAround(db, staff.personId, [...new Set([staff.schoolId, ...staff.coordinates])]);
  const subjects = await subjectsOf(db, around);
  const open: OpenPlan[] = [];
  const putAway: OwnedPlan[] = [];
  for (const plan of around) {
    const subject = subjects.get(plan.id);
    if (!subject) continue;
    if (plan.archivedAt !== null) {
      if (may(staff, "look-after", { ...subject, schoolId: plan.schoolId })) putAway.push(plan);
    } else if (may(staff, "use", subject))
      open.push({ plan, mayChange: may(staff, "change", subject), mayLookAfter: may(staff, "look-after", subject) });
  }
  return { open, putAway };
}
