import "server-only";
import { array, object, string } from "yup";
import type { LaterChange } from "@/core/plan/laterChanges";
import { FULL_WEEK } from "@/core/plan/lessonsAtWeek";
import { takeOver } from "@/core/plan/takeOver";
import { slotsOfPlan } from "@/db/queries/plan";
import { changed } from "@/db/queries/rowChanges";
import { sharedPlanById } from "@/db/queries/sharedPlans";
import type { Queryable } from "@/db/queryable";
import type { SlotContent } from "@/db/schema/plan";
import { demandPlan } from "@/server/access/planSubject";
import { demandClasses } from "@/server/access/subjects";
import { recordChange } from "@/server/history/recordChange";
import { classPlanOf } from "@/server/plan/classPlan";
import { type ClassSlot, copiedSlot, slotOfRow } from "@/server/plan/classSlot";
import { laterChangesOf } from "@/server/plan/laterChangesOf";
import { rowsOfPlan } from "@/server/plan/rowsOfPlan";
import { slotRows } from "@/server/plan/slotRows";
import type { Context } from "@/server/runtime/context";
import { Refusal } from "@/server/runtime/refusal";
import type { Runtime } from "@/server/runtime/runtime";
import { validated } from "@/server/runtime/validated";

const MOST_CHANGES = 200;
const origins = () => array(string().required()).max(MOST_CHANGES).default([]);
const input = object({
  /** The class whose plan it is, or the plan of a person or a school. */
  classId: string().optional(),
  planId: string().optional(),
  /** Slots of the original whose change is taken over, and those that stay as they are here. */
  take: origins(),
  leave: origins(),
});

/** Takes later changes of the plan that another was copied from over into it, slot by slot, and turns others down. Evidence is not touched. */
export async function takeOverChanges(context: Context, raw: unknown): Promise<{ changeId: string; taken: number }> {
  const { classId, planId, take, leave } = validated(input, raw);
  if ((classId === undefined) === (planId === undefined)) throw new Refusal("invalid", "Say which plan it is for.");
  if (take.length + leave.length === 0) throw new Refusal("invalid", "Choose at least one change.");
  return context.runtime.db.write((tx) =>
    classId === undefined ? ofPlan(tx, context, planId ?? "", take, leave) : ofClass(tx, context, classId, take, leave),
  );
}

async function ofClass(tx: Queryable, context: Context, classId: string, take: string[], leave: string[]) {
  const { runtime, actor } = context;
  await demandClasses(context, "change", [classId], tx);
  const plan = await classPlanOf(tx, runtime, classId);
  const lessonsAWeek = plan.calendar.weekdays.length;
  const original = plan.row && (await laterChangesOf(tx, actor, plan.row, { slots: plan.slots, lessonsAWeek }));
  if (!plan.row || !original) throw noneLeft();
  const { slots, known, taken } = applied(runtime, plan.slots, original.changes, take, leave);
  const copied = { fromId: original.id, knownOrigins: [...new Set([...plan.row.knownOrigins, ...known])] };
  const rows = rowsOfPlan(runtime, plan, { ...plan, slots, copied });
  const facts = { name: original.name, taken, left: leave.length };
  return { changeId: await recordChange(tx, context, { kind: "class-plan-taken-over", facts, classId, rows }), taken };
}

async function ofPlan(tx: Queryable, context: Context, planId: string, take: string[], leave: string[]) {
  const { runtime, actor } = context;
  await demandPlan(context, "change", planId, tx);
  const plan = await sharedPlanById(tx, planId);
  if (!plan) throw new Refusal("not-found", "This plan is not there any more.");
  const before = await slotsOfPlan(tx, planId);
  const own = before.map(slotOfRow);
  const original = await laterChangesOf(tx, actor, plan, { slots: own, lessonsAWeek: FULL_WEEK });
  if (!original) throw noneLeft();
  const { slots, known, taken } = applied(runtime, own, original.changes, take, leave);
  const { ownerLeft: _left, ownerName: _name, ...row } = plan;
  const knownOrigins = [...new Set([...plan.knownOrigins, ...known])];
  const rows = [changed("plans", row, { knownOrigins }), ...slotRows(before, slots, planId)];
  const facts = { name: plan.name, taken, left: leave.length };
  const told = { kind: "plan-taken-over", facts, classId: null, subjectIds: [planId], rows } as const;
  return { changeId: await recordChange(tx, context, told), taken };
}

const noneLeft = () =>
  new Refusal("conflict", "These changes are not there any more: somebody was quicker. Open the page again.");

function applied(
  runtime: Runtime,
  slots: readonly ClassSlot[],
  changes: readonly LaterChange<SlotContent>[],
  take: readonly string[],
  leave: readonly string[],
) {
  const wanted = changes.filter(({ originId }) => take.includes(originId) || leave.includes(originId));
  if (wanted.length !== new Set([...take, ...leave]).size) throw noneLeft();
  const marked = wanted.map((change) => ({ change, taken: take.includes(change.originId) }));
  const after = takeOver<SlotContent, ClassSlot>(
    slots,
    marked,
    (slot, content) => ({ ...slot, ...content, items: content.items ?? null }),
    (originId, content) => copiedSlot(runtime.newId(), originId, content),
  );
  return { ...after, taken: marked.filter(({ taken }) => taken).length };
}
