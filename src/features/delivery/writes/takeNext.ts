import "server-only";
import { object, string } from "yup";
import { classesOfStudent } from "@/db/queries/people";
import { classesWithRunningPlan, insertPlanWork, planWorkOf } from "@/db/queries/plan";
import { added, applyRowChanges } from "@/db/queries/rowChanges";
import { targetOf } from "@/db/queries/work";
import type { Queryable } from "@/db/queryable";
import { placeOfAddress } from "@/server/access/placeOfAddress";
import { newTarget, workRows } from "@/server/classroom/workRows";
import { libraryOf } from "@/server/library/library";
import type { ClassPlan } from "@/server/plan/classPlan";
import { ownNext } from "@/server/plan/ownNext";
import type { Context } from "@/server/runtime/context";
import { Refusal } from "@/server/runtime/refusal";
import { dayAt, schoolOf } from "@/server/runtime/school";
import { validated } from "@/server/runtime/validated";
import { enter } from "../reads/entered";
import { begin } from "./begin";
import { demandItsTurn } from "./demandOpen";
import { ITEMS_TO_MASTER } from "./itemsToMaster";

/**
 * Begins, or goes on with, what the plan of one of the asking student's classes gives next at the place where they are. Asked twice, it is begun once.
 * A piece that ended without mastery is followed by another run at the same work.
 */
export async function takeNext(context: Context, raw: unknown): Promise<{ assignmentId: string }> {
  const { runtime, actor } = context;
  if (actor.kind !== "student")
    throw new Refusal("not-allowed", "Only students work on a plan. To look at it, open the plan of the class.");
  const { classId } = validated(object({ classId: string().required() }), raw);
  const school = await schoolOf(runtime, actor.schoolId);
  const today = dayAt(school, runtime.now());
  const place = placeOfAddress(school.networks, context.address);
  return runtime.db.write(async (tx) => {
    const own = await classesOfStudent(tx, actor.personId, today);
    if (!own.some(({ id }) => id === classId)) throw new Refusal("not-allowed", "You are not in this class.");
    const [running] = await classesWithRunningPlan(tx, [classId]);
    if (!running) throw new Refusal("not-found", "This class has no plan that runs by itself.");
    const { plan, next, onlyElsewhere } = await ownNext(tx, runtime, { classId, personId: actor.personId, place });
    if (!next)
      throw new Refusal(
        "closed",
        onlyElsewhere
          ? "What is left of your plan is for another place."
          : "You have mastered everything in your plan.",
      );
    const assignmentId = await givenTo(tx, context, plan, next.skillId);
    const entered = await enter(tx, context, assignmentId);
    await demandItsTurn(tx, context, entered.work);
    const [piece] = entered.parts;
    if (piece && (piece.run === null || piece.run.finishedAt !== null))
      await begin(tx, context, entered, { partId: piece.part.id, attempt: (piece.run?.attempt ?? 0) + 1 });
    return { assignmentId };
  });
}

/** The assignment by which the plan gives a skill, with the asking student among those who have it; made at the first one who comes to it. */
async function givenTo(tx: Queryable, context: Context, plan: ClassPlan, skillId: string): Promise<string> {
  const { runtime, actor } = context;
  const { row } = plan;
  if (!row?.runById) throw new Refusal("not-found", "This class has no plan that runs by itself.");
  const known = await planWorkOf(tx, row.id, skillId);
  const assignmentId = known?.assignmentId ?? runtime.newId();
  if (!known) {
    const giver = { runtime, actor: { personId: row.runById, schoolId: row.schoolId } };
    const rows = workRows(
      giver,
      {
        title: (await libraryOf(runtime)).skill(skillId).studentName,
        instructions: "",
        parts: [{ kind: "practice", settings: { items: ITEMS_TO_MASTER, certainty: "usual" }, skillIds: [skillId] }],
      },
      [{ id: assignmentId, classId: plan.class.id, opensAt: runtime.now(), dueAt: null, studentIds: [] }],
    );
    await applyRowChanges(tx, rows);
    await insertPlanWork(tx, { id: runtime.newId(), planId: row.id, skillId, assignmentId });
  }
  if (!(await targetOf(tx, assignmentId, actor.personId))) {
    await applyRowChanges(tx, [added("assignmentTargets", newTarget(runtime, assignmentId, actor.personId))]);
  }
  return assignmentId;
}
