import ical, { ICalCalendarMethod } from "ical-generator";
import { dayNumber } from "@/core/calendar/dayNumber";
import { dayOfNumber } from "@/core/calendar/dayOfNumber";
import type { HolidayRange } from "@/core/calendar/holidayRanges";

/** Holidays as an iCalendar file (RFC 5545) of whole days. `id` names the school in each event; `stamp` is when it was written. */
export function writeCalendar(
  { id, name }: { readonly id: string; readonly name: string },
  ranges: readonly HolidayRange[],
  stamp: Date,
): string {
  const calendar = ical({
    name,
    prodId: { company: "Oxbow", product: "calendar" },
    method: ICalCalendarMethod.PUBLISH,
  });
  for (const { from, to, name: summary } of ranges)
    calendar.createEvent({
      id: `${id}-${from}`,
      stamp,
      summary,
      allDay: true,
      start: noon(from),
      end: noon(dayOfNumber(dayNumber(to) + 1)),
    });
  return calendar.toString();
}

/** A whole day is written by what it is in UTC. */
const noon = (day: string): Date => new Date(`${day}T12:00:00Z`);
