import "server-only";
import { dayNumber } from "@/core/calendar/dayNumber";
import { chanceOfMastery } from "@/core/mastery/chanceOfMastery";
import { masteryToday } from "@/core/mastery/masteryToday";
import type { SkillState } from "@/core/mastery/skillState";
import { type Placements, startingBelief } from "@/core/mastery/startingBelief";
import type { PlanPlace } from "@/core/model/planPlace";
import { nextFromPlan, type OfferedSlot, type PlanNext, type PlanStudent } from "@/core/plan/nextFromPlan";
import type { PlanRun } from "@/db/queries/plan";
import type { Library } from "@/server/library/library";
import { dayAt } from "@/server/runtime/school";
import type { ClassPlan } from "./classPlan";
import { taughtIn } from "./classSlot";

/** A student of a class as its plan looks at them. */
export interface StudentOfPlan {
  /** Null where nothing says at which grade they work. */
  readonly grade: number | null;
  readonly states: ReadonlyMap<string, SkillState>;
  readonly placements: Placements;
  readonly startSlotId: string | null;
  /** Their runs at what the plan gave. */
  readonly runs: readonly PlanRun[];
}

/** Whether somebody has a skill for good: met its end rule at some time, and no answers took it back. */
export const hasMastered = (state: SkillState | undefined): boolean =>
  state !== undefined && state.masteredDay !== null && state.lostDay === null;

/** The slots of a class's plan as they are offered: with what can be practised. */
export function offeredSlots({ slots, dates }: ClassPlan, library: Library): OfferedSlot[] {
  return slots.map(({ id, kind, skillIds, whereAt, skipped }, place) => ({
    id,
    skillIds: taughtIn({ kind, skillIds }).filter((skillId) => isThere(library, skillId)),
    where: whereAt,
    dates: skipped ? null : (dates[place]?.dates ?? null),
  }));
}

const isThere = (library: Library, skillId: string): boolean => (library.skillIfKnown(skillId)?.items ?? 0) > 0;

/**
 * What a plan gives a student next at a place, at its own pace or with the class's dates.
 * @param offered the plan's `offeredSlots`, worked out once for all who are asked about
 */
export function nextInPlan(
  plan: ClassPlan,
  library: Library,
  student: StudentOfPlan,
  place: PlanPlace,
  offered: readonly OfferedSlot[],
): PlanNext | null {
  const day = dayNumber(plan.today);
  const resting = new Set(
    student.runs.flatMap(({ skillId, finishedAt, finishReason }) =>
      finishedAt !== null && finishReason !== "mastered" && dayAt(plan.school, finishedAt) === plan.today
        ? [skillId]
        : [],
    ),
  );
  const seen: PlanStudent = {
    isMastered: (id) => hasMastered(student.states.get(id)),
    chanceOf: (id) => {
      const state = student.states.get(id);
      // What the library does not hold any more is as hard as the middle of the scale.
      const skill = library.skillIfKnown(id) ?? { strandId: "", difficulty: 0 };
      return state ? masteryToday(state, day) : chanceOfMastery(startingBelief(student, skill));
    },
    rests: (id) => resting.has(id),
    startSlotId: student.startSlotId,
  };
  return nextFromPlan(offered, seen, { pace: plan.pace, today: plan.today, place }, (id) =>
    (library.skillIfKnown(id)?.prerequisites ?? []).filter((under) => isThere(library, under)),
  );
}
