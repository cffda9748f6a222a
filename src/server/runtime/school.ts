import "server-only";
import { TZDate } from "@date-fns/tz";
import { format } from "date-fns";
import { dayNumber, type SchoolDay } from "@/core/calendar/dayNumber";
import type { SchoolCalendar } from "@/core/calendar/isSchoolDay";
import type { DecimalMark } from "@/core/model/decimalMark";
import { holidaysOf, schoolById, termsOf } from "@/db/queries/people";
import { kept } from "./kept";
import { Refusal } from "./refusal";
import type { Runtime } from "./runtime";

export interface School {
  readonly id: string;
  readonly name: string;
  readonly timeZone: string;
  readonly staffIdleMinutes: number;
  readonly studentIdleMinutes: number;
  readonly keepYears: number;
  readonly lateGraceHours: number;
  readonly decimalMark: DecimalMark;
  /** Ranges of network addresses from which a student is at school; none where nothing tells. */
  readonly networks: readonly string[];
  readonly calendar: SchoolCalendar;
  readonly terms: readonly {
    readonly id: string;
    readonly name: string;
    readonly startDay: SchoolDay;
    readonly endDay: SchoolDay;
    readonly closedAt: number | null;
  }[];
}

/** A school with its calendar and settings. */
export const schoolOf = kept(["schools", "terms", "holidays"], loadSchool);

async function loadSchool(runtime: Runtime, schoolId: string): Promise<School> {
  const school = await schoolById(runtime.db.read, schoolId);
  if (!school) throw new Refusal("not-found", "This school is not known.");
  const holidays = new Set((await holidaysOf(runtime.db.read, schoolId)).map(dayNumber));
  return { ...school, calendar: { holidays }, terms: await termsOf(runtime.db.read, schoolId) };
}

const MINUTE = 60_000;
const latestDay = new Map<string, { readonly minute: number; readonly day: SchoolDay }>();

/** The day that it is at the school at an instant. The latest minute's is kept: every answer asks, and zones change on minutes. */
export function dayAt({ timeZone }: Pick<School, "timeZone">, instant: number): SchoolDay {
  const minute = Math.floor(instant / MINUTE);
  const known = latestDay.get(timeZone);
  if (known?.minute === minute) return known.day;
  const day = format(new TZDate(instant, timeZone), "yyyy-MM-dd");
  latestDay.set(timeZone, { minute, day });
  return day;
}

/** The day that it is at a school now. */
export async function todayOf(runtime: Runtime, schoolId: string): Promise<SchoolDay> {
  return dayAt(await schoolOf(runtime, schoolId), runtime.now());
}

/** The instant at which the school's clock shows a time on a day; `time` as "HH:mm". */
export function instantAt(school: School, day: SchoolDay, time: string): number {
  const [year = 0, month = 1, date = 1] = day.split("-").map(Number);
  const [hour = 0, minute = 0] = time.split(":").map(Number);
  return new TZDate(year, month - 1, date, hour, minute, 0, school.timeZone).getTime();
}

/** An instant as the school's clock and calendar show it: pattern as in date-fns, for example "EEE d MMM, HH:mm". */
export function instantInWords({ timeZone }: Pick<School, "timeZone">, instant: number, pattern: string): string {
  return format(new TZDate(instant, timeZone), pattern);
}

/** The day it is at the actor's school, in words: pattern as in date-fns, for example "EEEE d MMMM". */
export async function todayInWords(
  { runtime, actor }: { runtime: Runtime; actor: { schoolId: string } },
  pattern: "d MMM" | "EEEE d MMMM",
): Promise<string> {
  const school = await schoolOf(runtime, actor.schoolId);
  return format(new TZDate(runtime.now(), school.timeZone), pattern);
}
