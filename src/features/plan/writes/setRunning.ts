import "server-only";
import { boolean, mixed, object, string } from "yup";
import { PLAN_PACES, type PlanPace } from "@/core/model/planPlace";
import { demandStaff } from "@/server/access/demand";
import { demandClasses } from "@/server/access/subjects";
import { recordChange } from "@/server/history/recordChange";
import { classPlanOf } from "@/server/plan/classPlan";
import { taughtIn } from "@/server/plan/classSlot";
import { rowsOfPlan } from "@/server/plan/rowsOfPlan";
import type { Context } from "@/server/runtime/context";
import { Refusal } from "@/server/runtime/refusal";
import { validated } from "@/server/runtime/validated";

const runInput = object({
  classId: string().required(),
  runs: boolean().required("Say whether it runs by itself."),
  pace: mixed<PlanPace>().oneOf(PLAN_PACES, "Choose a pace.").required("Choose a pace."),
});

/** Lets a class's plan run by itself or stops it, at each student's own pace or with the class's dates. What students have begun stays theirs. */
export async function setRunning(context: Context, raw: unknown): Promise<{ changeId: string | null }> {
  const staff = demandStaff(context.actor);
  const { classId, runs, pace } = validated(runInput, raw);
  const { runtime } = context;
  await demandClasses(context, "change", [classId]);
  return runtime.db.write(async (tx) => {
    const plan = await classPlanOf(tx, runtime, classId);
    if (runs && plan.slots.every((slot) => taughtIn(slot).length === 0))
      throw new Refusal(
        "invalid",
        "The plan holds nothing to work on yet. Choose a year, or put a unit or a skill in.",
      );
    // Whoever switched it on stays the one in whose name it gives.
    const runById = runs ? (plan.runById ?? staff.personId) : null;
    const rows = rowsOfPlan(runtime, plan, { ...plan, runById, pace });
    if (rows.length === 0) return { changeId: null };
    const facts = { runs, pace };
    return { changeId: await recordChange(tx, context, { kind: "plan-run-set", facts, classId, rows }) };
  });
}
