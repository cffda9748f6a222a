import "server-only";
import { boolean, number, object, string } from "yup";
import type { NamedFacts } from "@/core/model/changeFacts";
import { FULL_WEEK } from "@/core/plan/lessonsAtWeek";
import { slotsOfPlan } from "@/db/queries/plan";
import { added, changed } from "@/db/queries/rowChanges";
import { type OwnedPlan, sharedPlanById } from "@/db/queries/sharedPlans";
import type { Queryable } from "@/db/queryable";
import type { RowChange } from "@/db/schema/history";
import { demand, demandStaff } from "@/server/access/demand";
import { demandPlan, planSubject } from "@/server/access/planSubject";
import { demandClasses } from "@/server/access/subjects";
import { recordChange } from "@/server/history/recordChange";
import { libraryOf } from "@/server/library/library";
import { classPlanOf } from "@/server/plan/classPlan";
import { type ClassSlot, contentOf, copiedSlot, newSlot } from "@/server/plan/classSlot";
import { slotOfUnit } from "@/server/plan/slotOfUnit";
import { slotRows } from "@/server/plan/slotRows";
import type { Context } from "@/server/runtime/context";
import { Refusal } from "@/server/runtime/refusal";
import { uuid, validated } from "@/server/runtime/validated";

const planName = () =>
  string()
    .trim()
    .min(1, "Give the plan a name.")
    .max(80, "The name of a plan has at most 80 letters.")
    .required("Give the plan a name.");

const makeInput = object({
  /** Made by the browser, so that sending twice makes one. */
  id: uuid(),
  name: planName(),
  ofSchool: boolean().default(false),
  /** What it begins as: another plan, a class's own, or the year of a grade that ships; with none of them, empty. */
  planId: string().optional(),
  classId: string().optional(),
  isYear: boolean().default(false),
  subjectId: string().required(),
  grade: number().integer().min(1).max(12).required(),
});

interface Beginning {
  readonly subjectId: string;
  readonly grade: number;
  readonly slots: readonly ClassSlot[];
  readonly copiedFromId: string | null;
}

/** Makes a plan of one's own, or the school's where one coordinates it, from a shipped year, another plan, a class's own, or empty. */
export async function makePlan(context: Context, raw: unknown): Promise<{ planId: string; changeId: string | null }> {
  const staff = demandStaff(context.actor);
  const input = validated(makeInput, raw);
  const { runtime } = context;
  const { schoolId } = staff;
  if (input.ofSchool) demand(staff, "manage", { kind: "school", schoolId });
  return runtime.db.write(async (tx) => {
    if (await sharedPlanById(tx, input.id)) {
      await demandPlan(context, "look-after", input.id, tx);
      return { planId: input.id, changeId: null };
    }
    const { slots, ...begun } = await beginningOf(tx, context, input);
    const rows: RowChange[] = [
      added("plans", {
        id: input.id,
        schoolId,
        ownerId: input.ofSchool ? null : staff.personId,
        name: input.name,
        createdAt: runtime.now(),
        knownOrigins: slots.flatMap(({ originId }) => originId ?? []),
        ...begun,
      }),
      ...slotRows([], slots, input.id),
    ];
    const told = { kind: "plan-made", facts: { name: input.name } } as const;
    return { planId: input.id, changeId: await record(tx, context, input.id, told, rows) };
  });
}

async function beginningOf(
  tx: Queryable,
  context: Context,
  { planId, classId, isYear, subjectId, grade }: ReturnType<typeof makeInput.validateSync>,
): Promise<Beginning> {
  const { runtime } = context;
  const library = await libraryOf(runtime);
  if (planId !== undefined) {
    await demandPlan(context, "use", planId, tx);
    const plan = await sharedPlanById(tx, planId);
    if (!plan) throw new Refusal("not-found", "This plan is not there any more.");
    const own = await slotsOfPlan(tx, planId);
    const slots = own.map((slot) => copiedSlot(runtime.newId(), slot.id, contentOf(slot)));
    return { subjectId: plan.subjectId, grade: plan.grade, slots, copiedFromId: planId };
  }
  if (classId !== undefined) {
    await demandClasses(context, "see", [classId], tx);
    const plan = await classPlanOf(tx, runtime, classId);
    const slots = plan.slots
      .filter(({ skipped }) => !skipped)
      .map((slot) => newSlot({ ...slot, ...FRESH, id: runtime.newId() }));
    return { subjectId: plan.subjectId, grade: plan.class.grade, slots, copiedFromId: null };
  }
  if (!library.subjects.some(({ id }) => id === subjectId)) throw new Refusal("invalid", "Choose a subject.");
  const units = library.units.filter((unit) => isYear && unit.subjectId === subjectId && unit.grade === grade);
  if (isYear && units.length === 0) throw new Refusal("invalid", "No units are written for this grade.");
  const slots = units.map((unit) => slotOfUnit(runtime.newId(), unit, FULL_WEEK));
  return { subjectId, grade, slots, copiedFromId: null };
}

/** What of a class's slot is the class's own. */
const FRESH = { fromDay: null, skipped: false, originId: null, originWas: null, version: 1 } as const;

const record = (tx: Queryable, context: Context, planId: string, told: NamedFacts, rows: readonly RowChange[]) =>
  recordChange(tx, context, { ...told, classId: null, subjectIds: [planId], rows });

/** A plan's row, for whoever looks after it. */
export async function ownPlan(tx: Queryable, context: Context, planId: string) {
  await demandPlan(context, "look-after", planId, tx);
  const plan = await sharedPlanById(tx, planId);
  if (!plan) throw new Refusal("not-found", "This plan is not there any more.");
  return rowOf(plan);
}

const rowOf = ({ ownerLeft: _left, ownerName: _name, ...row }: OwnedPlan) => row;

const renameInput = object({ planId: string().required(), name: planName() });

export async function renamePlan(context: Context, raw: unknown): Promise<{ changeId: string | null }> {
  const { planId, name } = validated(renameInput, raw);
  return context.runtime.db.write(async (tx) => {
    const plan = await ownPlan(tx, context, planId);
    if (plan.name === name) return { changeId: null };
    const told = { kind: "plan-renamed", facts: { name } } as const;
    return { changeId: await record(tx, context, planId, told, [changed("plans", plan, { name })]) };
  });
}

/** Puts a plan away: classes and copies that were made of it stay as they are. */
export async function putPlanAway(context: Context, raw: unknown): Promise<{ changeId: string }> {
  const { planId } = validated(object({ planId: string().required() }), raw);
  return context.runtime.db.write(async (tx) => {
    const plan = await ownPlan(tx, context, planId);
    const told = { kind: "plan-put-away", facts: { name: plan.name } } as const;
    const rows = [changed("plans", plan, { archivedAt: context.runtime.now() })];
    return { changeId: await record(tx, context, planId, told, rows) };
  });
}

/** Brings back a plan that was put away, for whoever looked after it. */
export async function bringPlanBack(context: Context, raw: unknown): Promise<{ changeId: string }> {
  const { planId } = validated(object({ planId: string().required() }), raw);
  return context.runtime.db.write(async (tx) => {
    const plan = await sharedPlanById(tx, planId);
    const subject = await planSubject(tx, planId);
    demand(context.actor, "look-after", { ...subject, schoolId: plan?.schoolId ?? null });
    if (!plan || plan.archivedAt === null) throw new Refusal("conflict", "This plan is in use already.");
    const told = { kind: "plan-brought-back", facts: { name: plan.name } } as const;
    const rows = [changed("plans", rowOf(plan), { archivedAt: null })];
    return { changeId: await record(tx, context, planId, told, rows) };
  });
}
