import "server-only";
import { array, object, string } from "yup";
import { RELEASED } from "@/core/model/work";
import { added } from "@/db/queries/rowChanges";
import { assignmentById, releasesOf } from "@/db/queries/work";
import { demandWork } from "@/server/access/workAccess";
import { recordChange } from "@/server/history/recordChange";
import type { Context } from "@/server/runtime/context";
import { Refusal } from "@/server/runtime/refusal";
import { validated } from "@/server/runtime/validated";

const input = object({
  assignmentId: string().required(),
  what: array(string().oneOf(RELEASED).required()).min(1, "Choose what to show.").required(),
});

/** Lets students see something of what they handed in. What they may see already stays as it is. */
export async function releaseWork(context: Context, raw: unknown): Promise<{ readonly changeId: string | null }> {
  const { assignmentId, what } = validated(input, raw);
  const { runtime, actor } = context;
  return runtime.db.write(async (tx) => {
    const work = await assignmentById(tx, assignmentId);
    if (!work || work.withdrawnAt !== null) throw new Refusal("not-found", "This work is not there, or was withdrawn.");
    await demandWork(context, "change", work, tx);
    const before = (await releasesOf(tx, [assignmentId])).map((one) => one.what);
    const fresh = [...new Set(what)].filter((one) => !before.includes(one));
    if (fresh.length === 0) return { changeId: null };
    const changeId = await recordChange(tx, context, {
      kind: "work-released",
      facts: { title: work.title, what: fresh },
      classId: work.classId,
      rows: fresh.map((one) =>
        added("releases", {
          id: runtime.newId(),
          assignmentId,
          what: one,
          releasedBy: actor.personId,
          at: runtime.now(),
        }),
      ),
    });
    return { changeId };
  });
}
