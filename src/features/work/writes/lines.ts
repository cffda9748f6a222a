import "server-only";
import { array, object, string } from "yup";
import { LINE_KINDS } from "@/core/model/work";
import { added } from "@/db/queries/rowChanges";
import { assignmentById, targetsWithSittings } from "@/db/queries/work";
import { demandWork } from "@/server/access/workAccess";
import { recordChange } from "@/server/history/recordChange";
import type { Context } from "@/server/runtime/context";
import { Refusal } from "@/server/runtime/refusal";
import { validated } from "@/server/runtime/validated";

const input = object({
  assignmentId: string().required(),
  studentIds: array(string().required()).min(1, "Choose somebody.").max(400).required(),
  kind: string().oneOf(LINE_KINDS).required(),
  text: string()
    .trim()
    .min(1, "Write what you want to say.")
    .max(500, "A comment has at most 500 letters.")
    .when("kind", ([kind], schema) =>
      kind === "comment" ? schema : schema.max(200, "A line has at most 200 letters."),
    )
    .required(),
});

/** Sends some students of a piece of work a line: a word while they work, a reminder, praise, or a comment on what they did. Undone before it was read, it is gone. */
export async function sendLines(context: Context, raw: unknown): Promise<{ readonly changeId: string }> {
  const { assignmentId, studentIds, kind, text } = validated(input, raw);
  const { runtime, actor } = context;
  return runtime.db.write(async (tx) => {
    const work = await assignmentById(tx, assignmentId);
    if (!work || work.withdrawnAt !== null) throw new Refusal("not-found", "This work is not there, or was withdrawn.");
    await demandWork(context, "change", work, tx);
    const given = new Set((await targetsWithSittings(tx, [assignmentId])).map(({ person }) => person.id));
    const to = [...new Set(studentIds)];
    if (!to.every((id) => given.has(id)))
      throw new Refusal("invalid", "Some of these students were not given this work. Open the page again.");
    const changeId = await recordChange(tx, context, {
      kind: "lines-sent",
      facts: { line: kind, personId: to.length === 1 ? (to[0] ?? null) : null, students: to.length },
      classId: work.classId,
      rows: to.map((personId) =>
        added("studentLines", {
          id: runtime.newId(),
          personId,
          classId: work.classId,
          fromId: actor.personId,
          assignmentId,
          kind,
          text,
          at: runtime.now(),
          readAt: null,
        }),
      ),
    });
    return { changeId };
  });
}
