import type { SchoolDay } from "../calendar/dayNumber";

/** Where a series takes the skills of each piece from. */
export type SeriesSource =
  /** What the class's plan taught in so many weeks before the day; with nothing planned there, none. */
  | { readonly by: "plan"; readonly weeks: number }
  /** Always these. */
  | { readonly by: "skills"; readonly skillIds: readonly string[] };

/** The rhythm and the size of work that is given again and again. */
export interface SeriesRules {
  readonly source: SeriesSource;
  readonly items: number;
  /** Weekdays on which it is given, 1 for Monday to 7 for Sunday; on school days only. */
  readonly weekdays: readonly number[];
  /** Every so many weeks, counted from the first. */
  readonly everyWeeks: number;
  /** Where its day is no school day: on the next one of the same week, or not at all. */
  readonly onHoliday: "next" | "skip";
  /** School days until it is due; 0 for the same day. */
  readonly dueAfter: number;
}

/** A piece of a series: its day, and the day on which it is due. */
export interface SeriesDay {
  readonly day: SchoolDay;
  readonly due: SchoolDay;
  /** The day that it would have had, where that is none on which school is held; null where it has its own. */
  readonly insteadOf: SchoolDay | null;
}
