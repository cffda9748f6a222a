import "server-only";
import { format } from "date-fns";
import { object, string } from "yup";
import type { SchoolDay } from "@/core/calendar/dayNumber";
import { type HolidayRange, holidayRanges, weekdaysIn } from "@/core/calendar/holidayRanges";
import { holidaysAt } from "@/db/queries/school";
import { type LeftOut, readCalendar } from "@/formats/calendar/readCalendar";
import { writeCalendar } from "@/formats/calendar/writeCalendar";
import { demand, demandStaff } from "@/server/access/demand";
import { may } from "@/server/access/policy";
import type { Context } from "@/server/runtime/context";
import { Refusal } from "@/server/runtime/refusal";
import { dayAt, schoolOf } from "@/server/runtime/school";
import { validated } from "@/server/runtime/validated";
import type { CalendarFile, CalendarView } from "../calendarTypes";

/** The calendar of the actor's school, for all its staff. */
export async function calendarView({ runtime, actor, address }: Context): Promise<CalendarView> {
  const { schoolId } = demandStaff(actor);
  const [school, days] = await Promise.all([schoolOf(runtime, schoolId), holidaysAt(runtime.db.read, schoolId)]);
  const today = dayAt(school, runtime.now());
  const off = new Set(days.map(({ day }) => day));
  const mayChange = may(actor, "manage", { kind: "school", schoolId });
  return {
    schoolName: school.name,
    mayChange,
    networks: mayChange ? school.networks : [],
    ownAddress: mayChange ? (address ?? null) : null,
    terms: school.terms.map(({ id, name, startDay, endDay }) => ({
      id,
      name,
      from: dayWords(startDay),
      to: dayWords(endDay),
      schoolDays: weekdaysIn({ from: startDay, to: endDay }).filter((one) => !off.has(one)).length,
    })),
    ranges: holidayRanges(days).map((range) => ({
      ...range,
      days: rangeWords(range),
      schoolDays: weekdaysIn(range),
      isOver: range.to < today,
    })),
  };
}

/** The calendar as a file for other programs. */
export async function calendarFile({ runtime, actor }: Context) {
  const { schoolId } = demandStaff(actor);
  const [school, days] = await Promise.all([schoolOf(runtime, schoolId), holidaysAt(runtime.db.read, schoolId)]);
  const stamp = new Date(runtime.now());
  const text = writeCalendar({ id: schoolId, name: `${school.name}: days off` }, holidayRanges(days), stamp);
  const type = "text/calendar; charset=utf-8";
  return { name: `${school.name}, days off.ics`, type, bytes: new TextEncoder().encode(text) };
}

const MOST_LETTERS = 500_000;
const fileInput = object({
  text: string()
    .max(MOST_LETTERS, "This file is too large for a calendar of a school.")
    .required("This file is empty."),
});

const LEFT_OUT: Readonly<Record<LeftOut, string>> = {
  "has-a-time": "takes part of a day only",
  repeats: "comes again and again",
  cancelled: "was called off",
  "no-day": "has no day",
};

/** What a calendar file holds, for whoever looks after the school; nothing is changed by it. */
export async function readCalendarFile({ runtime, actor }: Context, raw: unknown): Promise<CalendarFile> {
  const { schoolId } = demandStaff(actor);
  demand(actor, "manage", { kind: "school", schoolId });
  const found = readCalendar(validated(fileInput, raw).text);
  if (!found)
    throw new Refusal(
      "invalid",
      "This is no calendar file. Save it as iCalendar (.ics) in the program that it comes from.",
    );
  const off = new Set((await holidaysAt(runtime.db.read, schoolId)).map(({ day }) => day));
  return {
    ranges: found.ranges.map((range) => {
      const days = weekdaysIn(range);
      const already = days.filter((day) => off.has(day)).length;
      return { ...range, days: rangeWords(range), schoolDays: days.length, already };
    }),
    leftOut: found.leftOut.map(({ name, why }) => ({ name, why: LEFT_OUT[why] })),
  };
}

const dayWords = (day: SchoolDay) => format(new Date(`${day}T12:00:00`), "EEE d MMM yyyy");
const rangeWords = ({ from, to }: HolidayRange) =>
  from === to ? dayWords(from) : `${dayWords(from)} to ${dayWords(to)}`;
