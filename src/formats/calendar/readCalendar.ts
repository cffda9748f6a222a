import ICAL from "ical.js";
import { dayNumber } from "@/core/calendar/dayNumber";
import { dayOfNumber } from "@/core/calendar/dayOfNumber";
import type { HolidayRange } from "@/core/calendar/holidayRanges";

/** Why an event of a calendar file is no holiday. */
export type LeftOut = "has-a-time" | "repeats" | "cancelled" | "no-day";

export interface ReadCalendar {
  readonly ranges: readonly HolidayRange[];
  readonly leftOut: readonly { readonly name: string; readonly why: LeftOut }[];
}

/** Events of one file, at most: a calendar of a school year holds some dozens. */
const MOST_EVENTS = 1_000;
const LONGEST_NAME = 80;

/**
 * The whole days of an iCalendar file (RFC 5545) as holidays; what has a time of day, repeats or was cancelled is named with its reason. Null for a file
 * that is none, or holds more than a thousand events.
 */
export function readCalendar(text: string): ReadCalendar | null {
  try {
    const events = new ICAL.Component(ICAL.parse(text)).getAllSubcomponents("vevent");
    if (events.length > MOST_EVENTS) return null;
    const read = events.map(rangeOf);
    return {
      ranges: read
        .flatMap((one) => ("from" in one ? [one] : []))
        .sort((one, other) => (one.from < other.from ? -1 : 1)),
      leftOut: read.flatMap((one) => ("why" in one ? [one] : [])),
    };
  } catch {
    return null;
  }
}

function rangeOf(component: ICAL.Component): HolidayRange | ReadCalendar["leftOut"][number] {
  const event = new ICAL.Event(component);
  const name = (event.summary ?? "").trim().slice(0, LONGEST_NAME);
  const { startDate, endDate } = event;
  if (component.getFirstPropertyValue("status") === "CANCELLED") return { name, why: "cancelled" };
  if (!startDate) return { name, why: "no-day" };
  if (!startDate.isDate) return { name, why: "has-a-time" };
  if (event.isRecurring()) return { name, why: "repeats" };
  const from = startDate.toString();
  // The end of whole days is the day after the last one.
  const end = endDate?.isDate ? dayNumber(endDate.toString()) - 1 : dayNumber(from);
  return { from, to: dayOfNumber(Math.max(end, dayNumber(from))), name };
}
