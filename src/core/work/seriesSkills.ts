import { dayNumber, type SchoolDay } from "../calendar/dayNumber";
import type { SeriesSource } from "../model/series";

/** Days of a skill in a plan; both ends belong to it. */
export interface PlannedDays {
  readonly skillId: string;
  readonly fromDay: SchoolDay;
  readonly targetDay: SchoolDay;
}

/**
 * The skills of a piece of a series on its day: always the same, or those that the plan taught in the weeks before, the latest first, so many at most.
 * @example seriesSkills({ by: "plan", weeks: 1 }, [{ skillId: "a", fromDay: "2026-11-16", targetDay: "2026-11-18" }], "2026-11-23", 6) // ["a"]
 */
export function seriesSkills(
  source: SeriesSource,
  plan: readonly PlannedDays[],
  day: SchoolDay,
  most: number,
): readonly string[] {
  if (source.by === "skills") return source.skillIds.slice(0, most);
  const end = dayNumber(day);
  const since = end - 7 * source.weeks;
  const taught = plan.filter(({ fromDay, targetDay }) => dayNumber(fromDay) < end && dayNumber(targetDay) >= since);
  const latestFirst = [...taught].sort((x, y) => dayNumber(y.targetDay) - dayNumber(x.targetDay));
  return [...new Set(latestFirst.map(({ skillId }) => skillId))].slice(0, most);
}
