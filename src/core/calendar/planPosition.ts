import type { SchoolDay } from "./dayNumber";
import type { SchoolCalendar } from "./isSchoolDay";
import { schoolDaysBetween } from "./schoolDaysBetween";

export interface PlannedSkill {
  readonly skillId: string;
  /** Last school day on which the skill is to be taught. */
  readonly targetDay: SchoolDay;
  /** Share of the class that is Secure or above, 0 to 1. */
  readonly shareSecure: number;
}

export interface PlanPosition {
  /** The first planned skill that the class has not yet reached; null when all are reached. */
  readonly nextSkillId: string | null;
  /** School days ahead (positive) or behind (negative) of the dates. */
  readonly daysAhead: number;
}

/**
 * Where a class stands against its plan. A skill counts as reached when at least `shareWanted` of the class is Secure.
 * The class stands at its first skill that is not reached: its target day against today gives the days behind, and it is
 * never counted as ahead for a skill that is merely not due yet: ahead counts from the last target that lies in the
 * future and is already reached.
 * @example planPosition([{ skillId: "a", targetDay: "2026-11-20", shareSecure: 0.2 }], "2026-11-23", { holidays: new Set() }, 0.5) // { nextSkillId: "a", daysAhead: -1 }
 */
export function planPosition(
  plan: readonly PlannedSkill[],
  today: SchoolDay,
  calendar: SchoolCalendar,
  shareWanted: number,
): PlanPosition {
  const open = plan.findIndex((entry) => entry.shareSecure < shareWanted);
  const next = open < 0 ? undefined : plan[open];
  if (next && next.targetDay < today) {
    return { nextSkillId: next.skillId, daysAhead: -schoolDaysBetween(next.targetDay, today, calendar) };
  }
  const lastReached = open < 0 ? plan.at(-1) : plan[open - 1];
  const daysAhead =
    lastReached && lastReached.targetDay > today ? schoolDaysBetween(today, lastReached.targetDay, calendar) : 0;
  return { nextSkillId: next?.skillId ?? null, daysAhead };
}
