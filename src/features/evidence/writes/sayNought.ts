import "server-only";
import { array, boolean, object, string } from "yup";
import { changed } from "@/db/queries/rowChanges";
import { assignmentById, targetsWithSittings } from "@/db/queries/work";
import { demandClasses } from "@/server/access/subjects";
import { recordChange } from "@/server/history/recordChange";
import type { Context } from "@/server/runtime/context";
import { Refusal } from "@/server/runtime/refusal";
import { validated } from "@/server/runtime/validated";

const input = object({
  assignmentId: string().required(),
  studentIds: array(string().required()).min(1, "Choose somebody.").max(400).required(),
  /** Counts as nought from now on, or does not any more. */
  counts: boolean().required(),
});

/** Counts a piece of work as nought for students who did not hand it in, or leaves it out of their averages again. */
export async function sayNought(context: Context, raw: unknown): Promise<{ readonly changeId: string | null }> {
  const { assignmentId, studentIds, counts } = validated(input, raw);
  const { runtime } = context;
  return runtime.db.write(async (tx) => {
    const work = await assignmentById(tx, assignmentId);
    if (!work || work.withdrawnAt !== null) throw new Refusal("not-found", "This work is not there, or was withdrawn.");
    await demandClasses(context, "change", [work.classId], tx);
    const own = (await targetsWithSittings(tx, [assignmentId])).filter(({ person }) => studentIds.includes(person.id));
    if (own.length !== new Set(studentIds).size)
      throw new Refusal("invalid", "Some of these students were not given this work. Open the page again.");
    if (counts && own.some(({ throughAt, target }) => throughAt !== null || target.excusedAt !== null))
      throw new Refusal("conflict", "Somebody has handed it in or is excused by now. Open the page again.");
    const rows = own.filter(({ target }) => (target.noughtAt !== null) !== counts);
    if (rows.length === 0) return { changeId: null };
    const changeId = await recordChange(tx, context, {
      kind: "nought-said",
      facts: {
        title: work.title,
        personId: rows.length === 1 ? (rows[0]?.person.id ?? null) : null,
        students: rows.length,
        counts,
      },
      classId: work.classId,
      rows: rows.map(({ target }) => changed("assignmentTargets", target, { noughtAt: counts ? runtime.now() : null })),
    });
    return { changeId };
  });
}
