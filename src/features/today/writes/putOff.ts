import "server-only";
import { object, string } from "yup";
import { addSchoolDays } from "@/core/calendar/addSchoolDays";
import { dropPutOff, dropPutOffBefore, keepPutOff } from "@/db/queries/putOff";
import { demandStaff } from "@/server/access/demand";
import type { Context } from "@/server/runtime/context";
import { dayAt, schoolOf } from "@/server/runtime/school";
import { validated } from "@/server/runtime/validated";
import { PUT_OFF_FOR, type PutOffFor } from "../types";

/** A term and some: by then the matter is over. */
const KEPT_MILLISECONDS = 200 * 86_400_000;
const SCHOOL_DAYS: Readonly<Record<PutOffFor, number | null>> = { "next-day": 1, week: 5, "until-changed": null };

const key = () => string().min(1).max(240).required();
const input = object({
  key: key(),
  said: string().min(1).max(40).required(),
  how: string()
    .oneOf([...PUT_OFF_FOR])
    .required(),
});

/** Puts a line off one's own Today: till a later school day, or until it says something else. */
export async function putOffLine(context: Context, raw: unknown): Promise<void> {
  const { personId, schoolId } = demandStaff(context.actor);
  const { how, ...line } = validated(input, raw);
  const { runtime } = context;
  const school = await schoolOf(runtime, schoolId);
  const now = runtime.now();
  const days = SCHOOL_DAYS[how];
  const untilDay = days === null ? null : addSchoolDays(dayAt(school, now), days, school.calendar);
  await runtime.db.write(async (tx) => {
    await dropPutOffBefore(tx, personId, now - KEPT_MILLISECONDS);
    await keepPutOff(tx, { personId, ...line, untilDay, at: now });
  });
}

const backInput = object({ key: key() });

/** Brings a line back that was put off. */
export async function bringBackLine(context: Context, raw: unknown): Promise<void> {
  const { personId } = demandStaff(context.actor);
  const line = validated(backInput, raw);
  await context.runtime.db.write((tx) => dropPutOff(tx, personId, line.key));
}
