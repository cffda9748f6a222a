import "server-only";
import { object, string } from "yup";
import { editSlots } from "@/core/plan/editSlots";
import { FULL_WEEK } from "@/core/plan/lessonsAtWeek";
import { slotsOfPlan } from "@/db/queries/plan";
import { sharedPlanById } from "@/db/queries/sharedPlans";
import { demandPlan } from "@/server/access/planSubject";
import { recordChange } from "@/server/history/recordChange";
import { libraryOf } from "@/server/library/library";
import { slotOfRow } from "@/server/plan/classSlot";
import { slotRows } from "@/server/plan/slotRows";
import { slotTitle } from "@/server/plan/slotTitle";
import type { Context } from "@/server/runtime/context";
import { Refusal } from "@/server/runtime/refusal";
import { validated } from "@/server/runtime/validated";
import { keptForPlan } from "../reads/keptForPlan";
import { editOf, slotEditFields, slotIn } from "./slotEdit";

const changeInput = object({ planId: string().required(), ...slotEditFields });

/**
 * Changes one slot of a plan that is no class's own: moved, put in, taken out, or with other values. Classes and copies that were made of it stay as they
 * are until somebody takes the change over there.
 */
export async function changeSharedPlan(context: Context, raw: unknown): Promise<{ changeId: string | null }> {
  const input = validated(changeInput, raw);
  const { runtime } = context;
  const library = await libraryOf(runtime);
  return runtime.db.write(async (tx) => {
    const { planId } = input;
    await demandPlan(context, "change", planId, tx);
    const plan = await sharedPlanById(tx, planId);
    if (!plan) throw new Refusal("not-found", "This plan is not there any more.");
    const before = await slotsOfPlan(tx, planId);
    const slots = before.map(slotOfRow);
    const edit = editOf(library, input, { slots, lessonsAWeek: FULL_WEEK, kept: await keptForPlan(tx, context.actor) });
    const after = editSlots(slots, edit, "move-along", []);
    const rows = slotRows(before, after, planId, edit.what === "move" ? edit.slotId : null);
    if (rows.length === 0) return { changeId: null };
    const slot = slotTitle(edit.what === "insert" ? edit.slot : slotIn({ slots }, edit.slotId), library);
    const told = { kind: "shared-plan-changed", facts: { name: plan.name, what: edit.what, slot } } as const;
    return { changeId: await recordChange(tx, context, { ...told, classId: null, subjectIds: [planId], rows }) };
  });
}
