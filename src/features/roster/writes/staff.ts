import "server-only";
import { number, object, string } from "yup";
import { dayBefore } from "@/core/calendar/dayBefore";
import { personById, rolesOf, schoolById } from "@/db/queries/people";
import { rolesOfSchools } from "@/db/queries/roster";
import { added, changed } from "@/db/queries/rowChanges";
import type { RowChange } from "@/db/schema/history";
import { demand } from "@/server/access/demand";
import type { Context } from "@/server/runtime/context";
import { person as placeOf, recordChange } from "@/server/runtime/history";
import { Refusal } from "@/server/runtime/refusal";
import { forgetSchools, todayOf } from "@/server/runtime/school";
import { uuid, validated } from "@/server/runtime/validated";

const staffInput = object({
  personId: uuid(),
  givenName: string().trim().min(1).max(60).required("The given name is missing."),
  familyName: string().trim().min(1).max(60).required("The family name is missing."),
  email: string()
    .trim()
    .lowercase()
    .email("This is no email address.")
    .required("The email is missing: it is needed for signing in."),
  role: string()
    .oneOf(["teacher", "specialist", "coordinator"] as const)
    .required(),
});

/** Adds a member of staff. They set their password by the link that "I forgot my password" sends to their mail box. */
export async function addStaff(context: Context, raw: unknown): Promise<{ changeId: string | null }> {
  const { personId, role, ...values } = validated(staffInput, raw);
  const { runtime, actor } = context;
  const { schoolId } = actor;
  demand(actor, "manage", { kind: "school", schoolId });
  const today = await todayOf(runtime, schoolId);
  return runtime.db.write(async (tx) => {
    if (await personById(tx, personId)) return { changeId: null };
    const rows: RowChange[] = [
      added("people", { id: personId, schoolId, kind: "staff", ...values }),
      added("roles", { id: runtime.newId(), personId, schoolId, role, fromDay: today }),
    ];
    const summary = `Added ${placeOf(personId)} as ${role}`;
    try {
      return {
        changeId: await recordChange(tx, context, { area: "rights", kind: "staff", summary, classId: null, rows }),
      };
    } catch (error) {
      if (/UNIQUE/i.test(`${error} ${(error as { cause?: unknown }).cause}`))
        throw new Refusal("conflict", "Somebody at the school has this email address already.");
      throw error;
    }
  });
}

const roleInput = object({
  personId: string().required(),
  role: string()
    .oneOf(["teacher", "specialist", "coordinator"] as const)
    .required(),
});

/** Gives a member of staff another role at the school. The last coordinator stays one. */
export async function setSchoolRole(context: Context, raw: unknown): Promise<{ changeId: string }> {
  const { personId, role } = validated(roleInput, raw);
  const { runtime, actor } = context;
  const { schoolId } = actor;
  demand(actor, "manage", { kind: "school", schoolId });
  const today = await todayOf(runtime, schoolId);
  return runtime.db.write(async (tx) => {
    const person = await personById(tx, personId);
    if (person?.kind !== "staff" || person.schoolId !== schoolId)
      throw new Refusal("not-found", "This person is not on the staff of your school.");
    const present = (await rolesOf(tx, personId, today)).filter((row) => row.schoolId === schoolId);
    if (present.some((row) => row.role === role)) throw new Refusal("conflict", "They have this role already.");
    const coordinators = (await rolesOfSchools(tx, [schoolId])).filter(
      (row) => row.role === "coordinator" && (row.untilDay === null || row.untilDay >= today),
    );
    if (coordinators.length > 0 && coordinators.every((row) => row.personId === personId))
      throw new Refusal("conflict", "The school would have no coordinator. Make somebody else one first.");
    const rows: RowChange[] = [
      ...present.map((row) => changed("roles", row, { untilDay: dayBefore(today) })),
      added("roles", { id: runtime.newId(), personId, schoolId, role, fromDay: today }),
    ];
    const summary = `${placeOf(personId)} is now ${role}`;
    return {
      changeId: await recordChange(tx, context, { area: "rights", kind: "role", summary, classId: null, rows }),
    };
  });
}

const settingsInput = object({
  staffIdleMinutes: number().integer().min(5, "At least 5 minutes.").max(720, "At most 720 minutes.").required(),
  studentIdleMinutes: number().integer().min(5, "At least 5 minutes.").max(480, "At most 480 minutes.").required(),
  keepYears: number().integer().min(1, "At least 1 year.").max(20, "At most 20 years.").required(),
});

/** How long sessions last unused, and how long evidence of those who left is kept. */
export async function setSettings(context: Context, raw: unknown): Promise<{ changeId: string }> {
  const values = validated(settingsInput, raw);
  const { runtime, actor } = context;
  demand(actor, "manage", { kind: "school", schoolId: actor.schoolId });
  const result = await runtime.db.write(async (tx) => {
    const school = await schoolById(tx, actor.schoolId);
    if (!school) throw new Refusal("not-found", "This school is not known.");
    const rows = [changed("schools", school, values)];
    const summary = `Sessions end after ${values.staffIdleMinutes} min (staff) and ${values.studentIdleMinutes} min (students) unused; evidence is kept for ${values.keepYears} years`;
    return {
      changeId: await recordChange(tx, context, { area: "privacy", kind: "settings", summary, classId: null, rows }),
    };
  });
  forgetSchools(runtime);
  return result;
}
