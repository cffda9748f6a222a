"use client";
import { addSchoolDays } from "@/core/calendar/addSchoolDays";
import type { Change, Composition, SeriesChoice } from "./composition";
import { LABEL } from "./look";

/** School days that a series runs at first: about six weeks. */
const USUAL_SCHOOL_DAYS = 29;

/** Whether it is given once, or again and again. */
export function HowOften({
  holidays,
  composition,
  change,
}: {
  /** As day numbers. */
  readonly holidays: readonly number[];
  readonly composition: Composition;
  readonly change: Change;
}) {
  const { made, opensDay, series } = composition;
  const again = (): SeriesChoice => ({
    planWeeks: null,
    weekdays: made === "sequential" ? [1] : [1, 2, 3, 4, 5],
    everyWeeks: 1,
    onHoliday: made === "sequential" ? "next" : "skip",
    dueAfter: 0,
    lastDay: addSchoolDays(opensDay, USUAL_SCHOOL_DAYS, { holidays: new Set(holidays) }),
  });
  const set = (next: SeriesChoice | null) =>
    change((before) => ({ ...before, series: next, items: next && before.items === 16 ? 5 : before.items }));
  return (
    <fieldset className="flex gap-5 text-[15px]">
      <legend className={LABEL}>Given</legend>
      <label className="flex items-baseline gap-2">
        <input type="radio" className="accent-ink" checked={series === null} onChange={() => set(null)} />
        once
      </label>
      <label className="flex items-baseline gap-2">
        <input type="radio" className="accent-ink" checked={series !== null} onChange={() => set(series ?? again())} />
        again and again
      </label>
    </fieldset>
  );
}
