import { planPosition } from "@/core/calendar/planPosition";
import type { School } from "@/server/runtime/school";

/** Share of a class that must have been Secure or mastered for a planned skill to count as reached. */
export const SHARE_WANTED = 0.5;
/** School days behind from which the plan wants a look. */
export const LATE_DAYS = 5;

export interface PlannedShare {
  readonly skillId: string;
  readonly name: string;
  readonly targetDay: string;
  /** Share of the class that is Secure in it or has mastered it, 0 to 1. */
  readonly shareSecure: number;
}

/** Where the class stands in its plan, in words for a page and, shorter, for the bend. */
export function positionIn(planned: readonly PlannedShare[], today: string, { calendar }: Pick<School, "calendar">) {
  const { nextSkillId, daysAhead } = planPosition(planned, today, calendar, SHARE_WANTED);
  const name = planned.find(({ skillId }) => skillId === nextSkillId)?.name ?? "all skills reached";
  const count = Math.abs(daysAhead);
  const place = (unit: string) =>
    daysAhead === 0
      ? "on its dates"
      : `${count} ${unit}${count === 1 ? "" : "s"} ${daysAhead < 0 ? "behind" : "ahead"}`;
  return { daysAhead, text: `${name}, ${place("school day")}`, short: `${name}, ${place("day")}` };
}
