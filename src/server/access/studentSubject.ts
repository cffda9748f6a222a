import "server-only";
import type { Queryable } from "@/db/connection";
import { classesOfStudent, personById } from "@/db/queries/people";
import { groupsOfStudents } from "@/db/queries/regroup";
import { Refusal } from "@/server/runtime/refusal";

/** A student as the policy asks about one: with the classes and groups of the moment. Archived ones are in none. */
export async function studentSubject(db: Queryable, personId: string) {
  const person = await personById(db, personId);
  if (person?.kind !== "student" || person.erasedAt !== null)
    throw new Refusal("not-allowed", "This student is not known here, or not open to you.");
  const classes = await classesOfStudent(db, personId);
  const groups = await groupsOfStudents(db, [personId]);
  return {
    person,
    classes,
    groups: groups.map(({ group }) => group),
    subject: {
      kind: "student" as const,
      personId,
      schoolId: person.schoolId,
      classIds: classes.map(({ id }) => id),
      groupIds: groups.map(({ group }) => group.id),
    },
  };
}
