import { mondayOf } from "./mondayOf";
import type { DayRange } from "./rangeOfDays";

const DAYS_A_WEEK = 7;

/**
 * The weeks, Monday to Sunday, that a range of days lies in, each cut to the range; in order.
 * @example weeksOf({ from: 20778, to: 20782 }) // [{ from: 20778, to: 20779 }, { from: 20780, to: 20782 }]
 */
export function weeksOf({ from, to }: DayRange): DayRange[] {
  const weeks: DayRange[] = [];
  for (let monday = mondayOf(from); monday <= to; monday += DAYS_A_WEEK)
    weeks.push({ from: Math.max(from, monday), to: Math.min(to, monday + DAYS_A_WEEK - 1) });
  return weeks;
}
