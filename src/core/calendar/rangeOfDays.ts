import { dayNumber, type SchoolDay } from "./dayNumber";
import { isDay } from "./isDay";
import { mondayOf } from "./mondayOf";

/** Ranges that move with the day. "look" reaches back to when somebody last looked. */
export const NAMED_RANGES = ["today", "this-week", "last-week", "four-weeks", "term", "look"] as const;
export type NamedRange = (typeof NAMED_RANGES)[number];

/** A range by its name, or by its first and last day written "2026-11-02..2026-11-20". */
export type RangeWish = NamedRange | `${SchoolDay}..${SchoolDay}`;

/** Day numbers, both ends in it. */
export interface DayRange {
  readonly from: number;
  readonly to: number;
}

/** What named ranges hang on; day numbers, null where there is none. */
export interface RangeMarks {
  readonly today: number;
  readonly term: DayRange | null;
  readonly lookedOn: number | null;
}

const DAYS_A_WEEK = 7;
const FOUR_WEEKS = 4;

const isNamed = (text: string): text is NamedRange => (NAMED_RANGES as readonly string[]).includes(text);

/**
 * Whether a text names a range; what does not is nobody's wish.
 * @example isRangeWish("2026-11-02..2026-02-30") // false
 */
export function isRangeWish(text: string): text is RangeWish {
  const [from = "", to = "", ...rest] = text.split("..");
  return isNamed(text) || (rest.length === 0 && isDay(from) && isDay(to));
}

/**
 * The days of a range. One that would end after today ends today, weeks go from Monday; days in the wrong order are turned round.
 * Without a term, or where nobody has looked yet, the last four weeks stand in. Null for a range that lies wholly after today.
 * @example rangeOfDays("this-week", { today: 20782, term: null, lookedOn: null }) // { from: 20780, to: 20782 }
 */
export function rangeOfDays(wish: RangeWish, { today, term, lookedOn }: RangeMarks): DayRange | null {
  const monday = mondayOf(today);
  const fourWeeks = { from: monday - DAYS_A_WEEK * (FOUR_WEEKS - 1), to: today };
  switch (wish) {
    case "today":
      return { from: today, to: today };
    case "this-week":
      return { from: monday, to: today };
    case "last-week":
      return { from: monday - DAYS_A_WEEK, to: monday - 1 };
    case "four-weeks":
      return fourWeeks;
    case "term":
      return term === null || term.from > today ? fourWeeks : { from: term.from, to: Math.min(term.to, today) };
    case "look":
      return lookedOn === null ? fourWeeks : { from: Math.min(lookedOn, today), to: today };
    default: {
      const [one = today, other = today] = wish.split("..").map(dayNumber);
      const from = Math.min(one, other);
      return from > today ? null : { from, to: Math.min(Math.max(one, other), today) };
    }
  }
}

/**
 * The range of as many days directly before another.
 * @example rangeBefore({ from: 10, to: 16 }) // { from: 3, to: 9 }
 */
export function rangeBefore({ from, to }: DayRange): DayRange {
  return { from: from - (to - from + 1), to: from - 1 };
}
