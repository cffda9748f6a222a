import "server-only";
import { object, string } from "yup";
import { dayBefore } from "@/core/calendar/dayBefore";
import type { NamedFacts } from "@/core/model/changeFacts";
import { lasts } from "@/core/roster/lasts";
import { revokeSessionsOf } from "@/db/queries/credentials";
import { type PersonRow, personById, rolesOf } from "@/db/queries/people";
import { classStaffOf, rolesOfSchools } from "@/db/queries/roster";
import { added, changed } from "@/db/queries/rowChanges";
import type { Queryable } from "@/db/queryable";
import type { RowChange } from "@/db/schema/history";
import { demand } from "@/server/access/demand";
import { recordChange } from "@/server/history/recordChange";
import type { Context } from "@/server/runtime/context";
import { Refusal } from "@/server/runtime/refusal";
import { todayOf } from "@/server/runtime/school";
import { uuid, validated } from "@/server/runtime/validated";
import { inUniqueWords } from "./inUniqueWords";

const role = () =>
  string()
    .oneOf(["teacher", "specialist", "coordinator"] as const)
    .required();
const own = {
  givenName: string().trim().min(1).max(60, "A name has at most 60 letters.").required("The given name is missing."),
  familyName: string().trim().min(1).max(60, "A name has at most 60 letters.").required("The family name is missing."),
  email: string()
    .trim()
    .lowercase()
    .email("This is no email address.")
    .required("The email is missing: it is needed for signing in."),
};

/** Adds a member of staff. They set their password by the link that "I forgot my password" sends to their mail box. */
export async function addStaff(context: Context, raw: unknown): Promise<{ changeId: string | null }> {
  const input = validated(object({ personId: uuid(), role: role(), ...own }), raw);
  const { personId, role: given, ...values } = input;
  const { runtime } = context;
  const { schoolId, today } = await managed(context);
  return runtime.db.write(async (tx) => {
    if (await personById(tx, personId)) return { changeId: null };
    const rows: RowChange[] = [
      added("people", { id: personId, schoolId, kind: "staff", ...values }),
      added("roles", { id: runtime.newId(), personId, schoolId, role: given, fromDay: today }),
    ];
    return record(tx, context, { kind: "staff-added", facts: { personId, role: given } }, rows);
  });
}

/** Corrects the name or email of a member of staff. */
export async function correctStaff(context: Context, raw: unknown): Promise<{ changeId: string }> {
  const { personId, ...values } = validated(object({ personId: string().required(), ...own }), raw);
  const { schoolId } = await managed(context);
  return context.runtime.db.write(async (tx) => {
    const person = await colleague(tx, personId, schoolId);
    const differing = Object.fromEntries(
      Object.entries(values).filter(([column, value]) => person[column as keyof typeof values] !== value),
    );
    if (Object.keys(differing).length === 0) throw new Refusal("invalid", "Nothing is different.");
    const field = "email" in differing ? "email" : "name";
    const rows = [changed("people", person, differing)];
    return record(tx, context, { kind: "staff-corrected", facts: { personId, field } }, rows);
  });
}

/** Gives a member of staff another role at the school. The last coordinator stays one. */
export async function setSchoolRole(context: Context, raw: unknown): Promise<{ changeId: string }> {
  const { personId, role: given } = validated(object({ personId: string().required(), role: role() }), raw);
  const { runtime } = context;
  const { schoolId, today } = await managed(context);
  return runtime.db.write(async (tx) => {
    await colleague(tx, personId, schoolId);
    const present = (await rolesOf(tx, [personId], today)).filter((row) => row.schoolId === schoolId);
    if (present.some((row) => row.role === given)) throw new Refusal("conflict", "They have this role already.");
    await demandCoordinatorLeft(tx, schoolId, personId, today);
    const rows: RowChange[] = [
      ...present.map((row) => changed("roles", row, { untilDay: dayBefore(today) })),
      added("roles", { id: runtime.newId(), personId, schoolId, role: given, fromDay: today }),
    ];
    return record(tx, context, { kind: "role-given", facts: { personId, role: given } }, rows);
  });
}

const onePerson = object({ personId: string().required() });

/** A member of staff who leaves: signed out at once, off all classes, without a role; what they did stays theirs. */
export async function archiveStaff(context: Context, raw: unknown): Promise<{ changeId: string }> {
  const { personId } = validated(onePerson, raw);
  const { runtime, actor } = context;
  const { schoolId, today } = await managed(context);
  if (personId === actor.personId)
    throw new Refusal("invalid", "You can't let yourself go: another coordinator can do it.");
  return runtime.db.write(async (tx) => {
    const person = await colleague(tx, personId, schoolId);
    if (person.archivedAt !== null) throw new Refusal("conflict", "They have left already.");
    await demandCoordinatorLeft(tx, schoolId, personId, today);
    const untilDay = dayBefore(today);
    const places = (await classStaffOf(tx, personId)).filter((row) => lasts(row, today));
    const rows: RowChange[] = [
      ...places.map((row) => changed("classStaff", row, { untilDay })),
      ...(await rolesOf(tx, [personId], today)).map((row) => changed("roles", row, { untilDay })),
      changed("people", person, { archivedAt: runtime.now() }),
    ];
    await revokeSessionsOf(tx, [personId], runtime.now());
    return record(tx, context, { kind: "staff-left", facts: { personId, classes: places.length } }, rows);
  });
}

/** Somebody who left the staff comes back, as a teacher without classes. */
export async function restoreStaff(context: Context, raw: unknown): Promise<{ changeId: string }> {
  const { personId } = validated(onePerson, raw);
  const { runtime } = context;
  const { schoolId, today } = await managed(context);
  return runtime.db.write(async (tx) => {
    const person = await colleague(tx, personId, schoolId);
    if (person.archivedAt === null) throw new Refusal("conflict", "They are on the staff already.");
    const rows = [
      changed("people", person, { archivedAt: null }),
      added("roles", { id: runtime.newId(), personId, schoolId, role: "teacher", fromDay: today }),
    ];
    return record(tx, context, { kind: "staff-came-back", facts: { personId } }, rows);
  });
}

/** The asker's school, which they must coordinate, and its day. */
async function managed({ runtime, actor }: Context): Promise<{ schoolId: string; today: string }> {
  const { schoolId } = actor;
  demand(actor, "manage", { kind: "school", schoolId });
  return { schoolId, today: await todayOf(runtime, schoolId) };
}

async function colleague(tx: Queryable, personId: string, schoolId: string): Promise<PersonRow> {
  const person = await personById(tx, personId);
  if (person?.kind !== "staff" || person.schoolId !== schoolId)
    throw new Refusal("not-found", "This person is not on the staff of your school.");
  return person;
}

async function demandCoordinatorLeft(tx: Queryable, schoolId: string, leaving: string, today: string): Promise<void> {
  const coordinators = (await rolesOfSchools(tx, [schoolId])).filter(
    (row) => row.role === "coordinator" && lasts(row, today),
  );
  if (coordinators.length > 0 && coordinators.every((row) => row.personId === leaving))
    throw new Refusal("conflict", "The school would have no coordinator. Make somebody else one first.");
}

async function record(tx: Queryable, context: Context, told: NamedFacts, rows: readonly RowChange[]) {
  const change = { ...told, classId: null, rows };
  return {
    changeId: await inUniqueWords(tx, context.actor.schoolId, rows, () => recordChange(tx, context, change)),
  };
}
