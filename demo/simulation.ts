import { addSchoolDays } from "@/core/calendar/addSchoolDays";
import { dayNumber } from "@/core/calendar/dayNumber";
import { dayOfNumber } from "@/core/calendar/dayOfNumber";
import { classesOfStaff } from "@/db/queries/people";
import type { Actor } from "@/server/access/policy";
import type { Context } from "@/server/runtime/context";
import type { Runtime } from "@/server/runtime/runtime";
import type { School } from "@/server/runtime/school";

/** A simulated clock over the real database: the use-cases run as if it were then. */
export interface Simulation {
  readonly runtime: Runtime;
  readonly school: School;
  setNow(instant: number): void;
}

export const staffId = (key: string) => `staff-${key}`;

/** A member of the demo's staff with the classes of the moment. */
export async function staffContext(
  { runtime, school }: Simulation,
  key: string,
): Promise<Context & { actor: Extract<Actor, { kind: "staff" }> }> {
  const classIds = (await classesOfStaff(runtime.db.read, staffId(key))).map(({ id }) => id);
  return { runtime, actor: { kind: "staff", personId: staffId(key), schoolId: school.id, name: key, classIds } };
}

/** The school day some taught days after another, as a day number. */
export const schoolDayAfter = (day: number, count: number, school: School) =>
  dayNumber(addSchoolDays(dayOfNumber(day), count, school.calendar));
