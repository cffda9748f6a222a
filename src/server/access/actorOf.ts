import "server-only";
import type { ClassRole } from "@/core/model/roles";
import { fullName } from "@/core/roster/fullName";
import type { ActingPerson } from "@/db/queries/credentials";
import { classesOfStaff, rolesOf, schoolsBelow } from "@/db/queries/people";
import { groupTiesOf } from "@/db/queries/regroup";
import type { Runtime } from "@/server/runtime/runtime";
import { todayOf } from "@/server/runtime/school";
import type { Actor, StaffActor } from "./policy";

/** A person with the rights of today: roles, classes and groups whose dates hold. */
export async function actorOf(runtime: Runtime, person: ActingPerson): Promise<Actor> {
  const { id: personId, schoolId } = person;
  if (person.kind === "student") return { kind: "student", personId, schoolId, name: fullName(person) };
  const [actor] = await staffActors(runtime, [person]);
  if (!actor) throw new Error("No actor was made of a member of staff.");
  return actor;
}

/** The same for several members of staff at once, in their order: a handful of reads, however many they are. */
export async function staffActors(runtime: Runtime, staff: readonly ActingPerson[]): Promise<StaffActor[]> {
  const bySchool = new Map<string, ActingPerson[]>();
  for (const person of staff) bySchool.set(person.schoolId, [...(bySchool.get(person.schoolId) ?? []), person]);
  const actors = await Promise.all(
    [...bySchool].map(async ([schoolId, people]) => actorsOn(runtime, people, await todayOf(runtime, schoolId))),
  );
  const byId = new Map(actors.flat().map((actor) => [actor.personId, actor]));
  return staff.flatMap(({ id }) => byId.get(id) ?? []);
}

async function actorsOn(runtime: Runtime, people: readonly ActingPerson[], today: string): Promise<StaffActor[]> {
  const db = runtime.db.read;
  const ids = people.map(({ id }) => id);
  const [taught, archived, roles, groupTies] = await Promise.all([
    classesOfStaff(db, ids, today, false),
    classesOfStaff(db, ids, today, true),
    rolesOf(db, ids, today),
    groupTiesOf(db, ids, today),
  ]);
  const coordinated = roles.filter(({ role }) => role === "coordinator");
  const below = new Map<string, string[]>();
  for (const { schoolId } of coordinated)
    if (!below.has(schoolId))
      below.set(
        schoolId,
        (await schoolsBelow(db, schoolId)).map(({ id }) => id),
      );
  return people.map((person): StaffActor => {
    const own = <Row extends { readonly personId: string }>(rows: readonly Row[]) =>
      rows.filter(({ personId }) => personId === person.id);
    const coordinates = [...new Set(own(coordinated).flatMap(({ schoolId }) => below.get(schoolId) ?? []))];
    // Later entries win: the stronger of two roles in a class.
    const ties = (rows: typeof taught) =>
      new Map(rows.map(({ class: { id }, role }) => [id, role] as const).sort(weakestFirst));
    return {
      kind: "staff",
      personId: person.id,
      schoolId: person.schoolId,
      name: fullName(person),
      classIds: [...new Set(own(taught).map(({ class: { id } }) => id))],
      classTies: ties(own(taught)),
      archivedClassTies: ties(own(archived)),
      groupTies: new Map(own(groupTies).map(({ groupId, tie }) => [groupId, tie])),
      coordinates,
    };
  });
}

const STRENGTH: readonly ClassRole[] = ["specialist", "substitute", "co-teacher", "teacher"];

const weakestFirst = ([, one]: readonly [string, ClassRole], [, other]: readonly [string, ClassRole]) =>
  STRENGTH.indexOf(one) - STRENGTH.indexOf(other);
