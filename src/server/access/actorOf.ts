import "server-only";
import { classesOfSchools, classesOfStaff, type PersonRow, rolesOf, schoolsBelow } from "@/db/queries/people";
import { groupTiesOf } from "@/db/queries/regroup";
import type { Runtime } from "@/server/runtime/runtime";
import { todayOf } from "@/server/runtime/school";
import type { Actor, ClassTie } from "./policy";

/** A person with the rights of today: roles, classes and groups whose dates hold. */
export async function actorOf(runtime: Runtime, person: PersonRow): Promise<Actor> {
  const own = { personId: person.id, schoolId: person.schoolId, name: `${person.givenName} ${person.familyName}` };
  if (person.kind === "student") return { kind: "student", ...own };
  const db = runtime.db.read;
  const today = await todayOf(runtime, person.schoolId);
  const [taught, archived, roles, groupTies] = await Promise.all([
    classesOfStaff(db, person.id, today, false),
    classesOfStaff(db, person.id, today, true),
    rolesOf(db, person.id, today),
    groupTiesOf(db, person.id, today),
  ]);
  const coordinated = roles.filter(({ role }) => role === "coordinator").map(({ schoolId }) => schoolId);
  const coordinates = [
    ...new Set((await Promise.all(coordinated.map((id) => schoolsBelow(db, id)))).flat().map(({ id }) => id)),
  ];
  // Later entries win: the stronger of two roles in a class, and above all the coordinator's, which holds every right.
  const ties = async (rows: typeof taught, areArchived: boolean) =>
    new Map<string, ClassTie>([
      ...rows.map(({ class: { id }, role }) => [id, role] as const).sort(weakestFirst),
      ...(await classesOfSchools(db, coordinates, areArchived)).map(({ id }) => [id, "coordinator"] as const),
    ]);
  return {
    kind: "staff",
    ...own,
    classIds: [...new Set(taught.map(({ class: { id } }) => id))],
    classTies: await ties(taught, false),
    archivedClassTies: await ties(archived, true),
    groupTies: new Map(groupTies.map(({ groupId, tie }) => [groupId, tie])),
    coordinates,
  };
}

const STRENGTH: readonly ClassTie[] = ["specialist", "substitute", "co-teacher", "teacher"];

const weakestFirst = ([, one]: readonly [string, ClassTie], [, other]: readonly [string, ClassTie]) =>
  STRENGTH.indexOf(one) - STRENGTH.indexOf(other);
