import "server-only";
import { type ClassRow, classesById, classesOfSchools } from "@/db/queries/people";
import type { Queryable } from "@/db/queryable";
import type { Context } from "@/server/runtime/context";
import { demand } from "./demand";
import type { Actor, StaffActor, Subject, VerbOf } from "./policy";

type Of<Kind extends Subject["kind"]> = Extract<Subject, { kind: Kind }>;

/** A class whose row is at hand, as the policy asks about it. */
export const subjectOfClass = ({ id, schoolId, archivedAt }: ClassRow): Of<"class"> => ({
  kind: "class",
  classId: id,
  schoolId: archivedAt === null ? schoolId : null,
});

/** A class that was put away, likewise. */
export const subjectOfArchived = ({ id, schoolId, archivedAt }: ClassRow): Of<"archived class"> => ({
  kind: "archived class",
  classId: id,
  schoolId: archivedAt === null ? null : schoolId,
});

/**
 * Rows of some classes by id, for asking about them. Only what a coordinator may hangs on the school: for everybody else
 * nothing is read, since the ties that count are the actor's own.
 */
async function rowsFor(db: Queryable, actor: Actor, classIds: readonly string[]) {
  const coordinates = actor.kind === "staff" && actor.coordinates.length > 0;
  return new Map((coordinates ? await classesById(db, classIds) : []).map((row) => [row.id, row]));
}

/** Classes as the policy asks about them, in the order asked for. */
export async function classSubjects(db: Queryable, actor: Actor, classIds: readonly string[]): Promise<Of<"class">[]> {
  const rows = await rowsFor(db, actor, classIds);
  return classIds.map((classId) => {
    const row = rows.get(classId);
    return row ? subjectOfClass(row) : { kind: "class", classId, schoolId: null };
  });
}

/** One that was put away, as the policy asks about it. */
export async function archivedSubject(db: Queryable, actor: Actor, classId: string): Promise<Of<"archived class">> {
  const row = (await rowsFor(db, actor, [classId])).get(classId);
  return row ? subjectOfArchived(row) : { kind: "archived class", classId, schoolId: null };
}

/** Groups as the policy asks about them, in the order asked for; of one that is not there, an empty class. */
export async function groupSubjects(
  db: Queryable,
  actor: Actor,
  groups: readonly { readonly id: string; readonly classId: string }[],
): Promise<Of<"group">[]> {
  const classes = await classSubjects(
    db,
    actor,
    groups.map(({ classId }) => classId),
  );
  return groups.map(({ id, classId }, place) => ({
    kind: "group",
    groupId: id,
    classId,
    schoolId: classes[place]?.schoolId ?? null,
  }));
}

/** Goes on only when the policy allows it for each of the classes. */
export async function demandClasses(
  { runtime, actor }: Context,
  verb: VerbOf<"class">,
  classIds: readonly string[],
  db: Queryable = runtime.db.read,
): Promise<void> {
  for (const subject of await classSubjects(db, actor, classIds)) demand(actor, verb, subject);
}

/** Goes on only when the policy allows it for the group. */
export async function demandGroup(
  { actor }: Context,
  verb: VerbOf<"group">,
  group: { readonly id: string; readonly classId: string },
  db: Queryable,
): Promise<void> {
  for (const subject of await groupSubjects(db, actor, [group])) demand(actor, verb, subject);
}

/** Every class open to a member of staff: the own ones, and those of the schools that they coordinate. */
export async function openClasses(db: Queryable, staff: StaffActor): Promise<ClassRow[]> {
  const own = await classesById(db, [...staff.classTies.keys()]);
  const coordinated = await classesOfSchools(db, staff.coordinates, false);
  return [...new Map([...own, ...coordinated].map((row) => [row.id, row])).values()];
}
