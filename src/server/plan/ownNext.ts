import "server-only";
import type { PlanPlace } from "@/core/model/planPlace";
import type { PlanNext } from "@/core/plan/nextFromPlan";
import { gradeAtWork } from "@/db/queries/people";
import { type PlanRun, runsOfPlan, startsOfPlan } from "@/db/queries/plan";
import type { Queryable } from "@/db/queryable";
import { knownOf } from "@/server/classroom/knownOf";
import { libraryOf } from "@/server/library/library";
import type { Runtime } from "@/server/runtime/runtime";
import { type ClassPlan, classPlanOf } from "./classPlan";
import { nextInPlan, offeredSlots, type StudentOfPlan } from "./nextInPlan";

/** What a class's plan gives one of its students next. */
export interface OwnNext {
  readonly plan: ClassPlan;
  readonly next: PlanNext | null;
  /** Their latest run at the skill that comes next; null before the first. */
  readonly run: PlanRun | null;
  /** Nothing is open here, and something is elsewhere. */
  readonly onlyElsewhere: boolean;
}

/** What a class's plan gives one of its students next, at a place. */
export async function ownNext(
  db: Queryable,
  runtime: Runtime,
  { classId, personId, place }: { readonly classId: string; readonly personId: string; readonly place: PlanPlace },
): Promise<OwnNext> {
  const [plan, library, grade, known] = await Promise.all([
    classPlanOf(db, runtime, classId),
    libraryOf(runtime),
    gradeAtWork(db, personId, classId),
    knownOf(db, [personId]),
  ]);
  const [runs, starts] = plan.row
    ? await Promise.all([runsOfPlan(db, plan.row.id, personId), startsOfPlan(db, plan.row.id)])
    : [[], []];
  const student: StudentOfPlan = {
    grade,
    ...known(personId),
    startSlotId: starts.find((start) => start.personId === personId)?.slotId ?? null,
    runs,
  };
  const offered = offeredSlots(plan, library);
  const next = nextInPlan(plan, library, student, place, offered);
  return {
    plan,
    next,
    run: runs.find(({ skillId }) => skillId === next?.skillId) ?? null,
    onlyElsewhere: next === null && nextInPlan(plan, library, student, "both", offered) !== null,
  };
}
