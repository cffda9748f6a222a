import type { SeriesRules } from "@/core/model/series";
import { WEEKDAYS } from "@/words/staff/slotWords";

/** The weekdays of a series as a list: "Monday and Wednesday", "every school day". */
export function weekdaysWords(weekdays: readonly number[]): string {
  const named = [...weekdays].sort((x, y) => x - y).map((day) => WEEKDAYS[day - 1] ?? "");
  if (named.length === WEEKDAYS.length) return "every school day";
  if (named.length <= 1) return named[0] ?? "no day";
  return `${named.slice(0, -1).join(", ")} and ${named.at(-1)}`;
}

/** How often: "every week". */
export const rhythmWords = (everyWeeks: number): string =>
  everyWeeks === 1 ? "every week" : everyWeeks === 2 ? "every other week" : `every ${everyWeeks} weeks`;

/** Where its skills come from. */
export function sourceWords({ source }: SeriesRules): string {
  if (source.by === "skills") return "always the same skills";
  return source.weeks === 1
    ? "what the plan taught in the last week"
    : `what the plan taught in the last ${source.weeks} weeks`;
}

/** When a piece is due. */
export const dueWords = (dueAfter: number): string =>
  dueAfter === 0 ? "the same day" : dueAfter === 1 ? "the next school day" : `${dueAfter} school days later`;
