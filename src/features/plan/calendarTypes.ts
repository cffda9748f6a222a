import type { HolidayRange } from "@/core/calendar/holidayRanges";

/** The school's calendar: terms, and the days on which nothing is taught. */
export interface CalendarView {
  readonly schoolName: string;
  readonly mayChange: boolean;
  /** Ranges of network addresses from which a student is at school; only for whoever may change them. */
  readonly networks: readonly string[];
  /** The address from which the asking person comes, for whoever may change them. */
  readonly ownAddress: string | null;
  readonly terms: readonly {
    readonly id: string;
    readonly name: string;
    readonly from: string;
    readonly to: string;
    readonly schoolDays: number;
  }[];
  readonly ranges: readonly (HolidayRange & {
    /** In words. */
    readonly days: string;
    /** The single days, Monday to Friday. */
    readonly schoolDays: readonly string[];
    readonly isOver: boolean;
  })[];
}

/** A calendar file as it was read, before anything of it is taken over. */
export interface CalendarFile {
  readonly ranges: readonly (HolidayRange & {
    readonly days: string;
    readonly schoolDays: number;
    readonly already: number;
  })[];
  readonly leftOut: readonly { readonly name: string; readonly why: string }[];
}
