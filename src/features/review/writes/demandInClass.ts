import "server-only";
import { studentsOfClasses } from "@/db/queries/people";
import type { Queryable } from "@/db/queryable";
import type { Context } from "@/server/runtime/context";
import { Refusal } from "@/server/runtime/refusal";
import { todayOf } from "@/server/runtime/school";

/** Refuses a student who is not in the class today. */
export async function demandInClass(
  tx: Queryable,
  { runtime, actor }: Context,
  classId: string,
  studentId: string,
): Promise<void> {
  const today = await todayOf(runtime, actor.schoolId);
  const students = await studentsOfClasses(tx, [classId], today);
  if (!students.some(({ person }) => person.id === studentId))
    throw new Refusal("not-found", "This student is not in the class any more.");
}
