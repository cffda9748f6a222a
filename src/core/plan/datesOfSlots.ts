import { dayAfter } from "../calendar/dayAfter";
import type { SchoolDay } from "../calendar/dayNumber";
import { type LessonCalendar, lessonDayAfter } from "./lessonDays";

/** What of a slot decides its dates. */
export interface TimedSlot {
  readonly id: string;
  /** Lessons that it takes, 1 or more. */
  readonly lessons: number;
  /** The day before which it does not begin; null where it follows the slot before it. */
  readonly fromDay: SchoolDay | null;
  /** Left out in this class: it has no dates, and what follows moves up. */
  readonly skipped: boolean;
}

export interface SlotDates {
  readonly id: string;
  /** Null for a slot that is skipped, or that no lesson is left for. */
  readonly dates: { readonly fromDay: SchoolDay; readonly targetDay: SchoolDay } | null;
}

/**
 * The dates of a plan's slots in their order: each takes its lessons one after another, from the class's first day on, and none begins before the
 * one before it has ended. A slot with a day of its own waits for it; a day that has passed by then is taken as "next".
 * @example datesOfSlots([{ id: "a", lessons: 2, fromDay: null, skipped: false }], "2026-11-23", { holidays: new Set(), weekdays: [1, 2, 3, 4, 5] })[0]?.dates?.targetDay // "2026-11-24"
 */
export function datesOfSlots(
  slots: readonly TimedSlot[],
  firstDay: SchoolDay,
  calendar: LessonCalendar,
): readonly SlotDates[] {
  let free: SchoolDay | null = firstDay;
  return slots.map(({ id, lessons, fromDay, skipped }): SlotDates => {
    if (skipped || free === null) return { id, dates: null };
    const earliest: SchoolDay = fromDay !== null && fromDay > free ? fromDay : free;
    const begins = lessonDayAfter(earliest, 0, calendar);
    const ends = begins === null ? null : lessonDayAfter(begins, lessons - 1, calendar);
    free = ends === null ? null : dayAfter(ends);
    return { id, dates: begins === null || ends === null ? null : { fromDay: begins, targetDay: ends } };
  });
}
