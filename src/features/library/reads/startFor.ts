import "server-only";
import { classScope } from "@/core/roster/classScope";
import { classesById } from "@/db/queries/people";
import { libraryOf } from "@/server/library/library";
import type { Context } from "@/server/runtime/context";

/** Subject and grade with which a list of the library begins for some classes: those of the first one; grade 0, all grades, where there is nothing of it. */
export async function startFor(
  { runtime, actor }: Context,
  classIds: readonly string[],
  listed: readonly { readonly subjectId: string; readonly grade: number }[],
): Promise<{ subjectId: string; grade: number }> {
  const [library, [first]] = await Promise.all([libraryOf(runtime), classesById(runtime.db.read, classIds)]);
  const subjects = library.subjectsAt(actor.schoolId);
  const [own] = classScope(first ? [first.subject] : [], subjects);
  const has = (subjectId: string) => listed.some((one) => one.subjectId === subjectId);
  const subjectId = own && has(own.id) ? own.id : (subjects.find(({ id }) => has(id))?.id ?? "");
  const hasGrade = listed.some((one) => one.subjectId === subjectId && one.grade === first?.grade);
  return { subjectId, grade: hasGrade ? (first?.grade ?? 0) : 0 };
}
