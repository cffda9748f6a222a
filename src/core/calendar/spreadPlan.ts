import { addSchoolDays } from "./addSchoolDays";
import type { SchoolDay } from "./dayNumber";
import type { SchoolCalendar } from "./isSchoolDay";

export interface PlanSpan {
  readonly skillId: string;
  readonly fromDay: SchoolDay;
  readonly targetDay: SchoolDay;
}

/**
 * Gives each skill in turn the same number of school days (1 or more), beginning on `startDay` or the next taught day.
 * @example spreadPlan(["a", "b"], "2026-11-23", 5, { holidays: new Set() }).map(({ fromDay }) => fromDay) // ["2026-11-23", "2026-11-30"]
 */
export function spreadPlan(
  skillIds: readonly string[],
  startDay: SchoolDay,
  daysEach: number,
  calendar: SchoolCalendar,
): PlanSpan[] {
  return skillIds.map((skillId, place) => ({
    skillId,
    fromDay: addSchoolDays(startDay, place * daysEach, calendar),
    targetDay: addSchoolDays(startDay, (place + 1) * daysEach - 1, calendar),
  }));
}
