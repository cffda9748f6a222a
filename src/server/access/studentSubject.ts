import "server-only";
import { classesOfStudent, personById } from "@/db/queries/people";
import { groupsOfStudents } from "@/db/queries/regroup";
import { Refusal } from "@/server/runtime/refusal";
import type { Runtime } from "@/server/runtime/runtime";
import { todayOf } from "@/server/runtime/school";

/** A student as the policy asks about one: with the classes and groups of the moment. Archived ones are in none. */
export async function studentSubject(runtime: Runtime, personId: string) {
  const db = runtime.db.read;
  const person = await personById(db, personId);
  if (person?.kind !== "student" || person.erasedAt !== null)
    throw new Refusal("not-allowed", "This student is not known here, or not open to you.");
  const today = await todayOf(runtime, person.schoolId);
  const classes = await classesOfStudent(db, personId, today);
  const groups = await groupsOfStudents(db, [personId], today);
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
