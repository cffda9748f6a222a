import "server-only";
import type { Classroom, ClassroomStudent } from "@/server/classroom/classroom";
import { Refusal } from "@/server/runtime/refusal";

/** The named students of a classroom; refused when one of them is not in it any more. */
export function membersIn({ students }: Classroom, studentIds: readonly string[]): ClassroomStudent[] {
  const members = students.filter(({ id }) => studentIds.includes(id));
  if (members.length !== new Set(studentIds).size)
    throw new Refusal("invalid", "Some of these students are not in your class any more. Open the page again.");
  return members;
}
