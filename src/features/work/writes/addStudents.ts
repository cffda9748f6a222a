import "server-only";
import { array, boolean, object, string } from "yup";
import { windowFault } from "@/core/work/workWindow";
import { studentsOfClasses } from "@/db/queries/people";
import { membersOfGroups } from "@/db/queries/regroup";
import { added } from "@/db/queries/rowChanges";
import { assignmentById, personIdsOfAssignments } from "@/db/queries/work";
import { demandWork } from "@/server/access/workAccess";
import { newTarget } from "@/server/classroom/workRows";
import { recordChange } from "@/server/history/recordChange";
import type { Context } from "@/server/runtime/context";
import { Refusal } from "@/server/runtime/refusal";
import { dayAt, instantAt, schoolOf } from "@/server/runtime/school";
import { optionalDay, validated } from "@/server/runtime/validated";

const input = object({
  assignmentId: string().required(),
  studentIds: array(string().required()).min(1, "Choose somebody.").max(400).required(),
  /** A due day of their own; everybody's where there is none. */
  dueDay: optionalDay(),
  /** They need not do it: kept, so that they are offered no more. */
  skip: boolean().default(false),
});

/** Gives work that is there to further students of the class or the group it went to, or notes that they need not do it. */
export async function addStudents(context: Context, raw: unknown): Promise<{ readonly changeId: string | null }> {
  const { assignmentId, studentIds, dueDay, skip } = validated(input, raw);
  const { runtime, actor } = context;
  const now = runtime.now();
  const school = await schoolOf(runtime, actor.schoolId);
  const dueAt = dueDay === null ? null : instantAt(school, dueDay, "20:00");
  return runtime.db.write(async (tx) => {
    const work = await assignmentById(tx, assignmentId);
    if (!work || work.withdrawnAt !== null) throw new Refusal("not-found", "This work is not there, or was withdrawn.");
    await demandWork(context, "change", work, tx);
    if (dueAt !== null && windowFault({ opensAt: Math.max(now, work.opensAt), dueAt, closesAt: null }))
      throw new Refusal("invalid", "This day is over. Choose a later day.");
    const day = dayAt(school, now);
    const there =
      work.groupId === null
        ? await studentsOfClasses(tx, [work.classId], day)
        : await membersOfGroups(tx, [work.groupId], { day, viewerId: actor.personId });
    const wanted = there.filter(({ person }) => studentIds.includes(person.id));
    if (wanted.length !== new Set(studentIds).size)
      throw new Refusal("invalid", "Somebody is no longer in the class or the group. Open the page again.");
    const has = (await personIdsOfAssignments(tx, [assignmentId])).map(({ personId }) => personId);
    const fresh = wanted.filter(({ person }) => !has.includes(person.id));
    const [first] = fresh;
    if (!first) return { changeId: null };
    const changeId = await recordChange(tx, context, {
      kind: skip ? "work-skipped" : "work-added-to",
      facts: { title: work.title, personId: fresh.length === 1 ? first.person.id : null, students: fresh.length },
      classId: work.classId,
      rows: fresh.map(({ person }) =>
        added("assignmentTargets", {
          ...newTarget(runtime, assignmentId, person.id),
          dueAt,
          ...(skip ? { excusedAt: now, excusedBecause: "joined later" } : {}),
        }),
      ),
    });
    return { changeId };
  });
}
