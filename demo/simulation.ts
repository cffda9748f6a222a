import { addSchoolDays } from "@/core/calendar/addSchoolDays";
import { dayNumber } from "@/core/calendar/dayNumber";
import { dayOfNumber } from "@/core/calendar/dayOfNumber";
import { personById } from "@/db/queries/people";
import { actorOf } from "@/server/access/actorOf";
import type { StaffActor } from "@/server/access/policy";
import type { Context } from "@/server/runtime/context";
import type { Runtime } from "@/server/runtime/runtime";
import type { School } from "@/server/runtime/school";

/** A simulated clock over the real database: the use-cases run as if it were then. */
export interface Simulation {
  readonly runtime: Runtime;
  readonly school: School;
  /** The same with randomness of its own: who comes in when changes nothing else. */
  readonly doors: Runtime;
  /** When each student came in last. */
  readonly cameIn: Map<string, number>;
  setNow(instant: number): void;
}

export const staffId = (key: string) => `staff-${key}`;

/** A member of the demo's staff with the classes of the moment. */
export async function staffContext({ runtime }: Simulation, key: string): Promise<Context & { actor: StaffActor }> {
  const person = await personById(runtime.db.read, staffId(key));
  const actor = person ? await actorOf(runtime, person) : null;
  if (actor?.kind !== "staff") throw new Error(`${key} is not on the staff.`);
  return { runtime, actor };
}

/** The school day some taught days after another, as a day number. */
export const schoolDayAfter = (day: number, count: number, school: School) =>
  dayNumber(addSchoolDays(dayOfNumber(day), count, school.calendar));
