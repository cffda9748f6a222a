import "server-only";
import { object, string } from "yup";
import type { NamedFacts } from "@/core/model/changeFacts";
import { classesOfWork } from "@/db/queries/marks";
import { changed } from "@/db/queries/rowChanges";
import { assignmentById, type WorkRow, workById } from "@/db/queries/work";
import { demandStaff } from "@/server/access/demand";
import { demandClasses } from "@/server/access/subjects";
import { recordChange } from "@/server/history/recordChange";
import type { Context } from "@/server/runtime/context";
import { Refusal } from "@/server/runtime/refusal";
import { validated } from "@/server/runtime/validated";

/** Keeps work that was given, so that whoever made it finds it again. */
export async function keepWork(context: Context, raw: unknown): Promise<{ readonly changeId: string }> {
  const { assignmentId } = validated(object({ assignmentId: string().required() }), raw);
  const { runtime } = context;
  return runtime.db.write(async (tx) => {
    const given = await assignmentById(tx, assignmentId);
    if (!given) throw new Refusal("not-found", "This work is not there any more.");
    await demandClasses(context, "change", [given.classId], tx);
    const work = await workById(tx, given.workId);
    if (!work || work.ownerId !== context.actor.personId)
      throw new Refusal("conflict", "Somebody else made this work. Give it again; then it is yours to keep.");
    if (work.keptAt !== null) throw new Refusal("conflict", "This work is kept already.");
    const changeId = await recordChange(tx, context, {
      kind: "work-kept",
      facts: { title: work.title },
      classId: given.classId,
      rows: [changed("works", work, { keptAt: runtime.now(), archivedAt: null })],
    });
    return { changeId };
  });
}

const STEPS = ["share", "unshare", "put-away"] as const;
const changeInput = object({ workId: string().required(), step: string().oneOf(STEPS).required() });

/** Shares kept work with the colleagues of the school or takes that back, or puts it away; what was given of it stays. */
export async function changeKeptWork(context: Context, raw: unknown): Promise<{ readonly changeId: string }> {
  const { workId, step } = validated(changeInput, raw);
  const staff = demandStaff(context.actor);
  const { runtime } = context;
  return runtime.db.write(async (tx) => {
    const work = await workById(tx, workId);
    if (!work) throw new Refusal("not-found", "This work is not there any more.");
    if (work.ownerId !== staff.personId) throw new Refusal("not-allowed", "Only whoever keeps this work changes that.");
    if (work.keptAt === null) throw new Refusal("conflict", "This work is not kept.");
    const now = runtime.now();
    const to: Readonly<Record<(typeof STEPS)[number], Partial<WorkRow>>> = {
      share: { sharedAt: now },
      unshare: { sharedAt: null },
      "put-away": { archivedAt: now },
    };
    const told: Readonly<Record<(typeof STEPS)[number], NamedFacts>> = {
      share: { kind: "work-shared", facts: { title: work.title } },
      unshare: { kind: "work-unshared", facts: { title: work.title } },
      "put-away": { kind: "work-put-away", facts: { title: work.title } },
    };
    // In the history of a class that it was given in, where its owner undoes it.
    const classId = (await classesOfWork(tx, workId)).find((id) => staff.classTies.has(id)) ?? null;
    const changeId = await recordChange(tx, context, {
      ...told[step],
      classId,
      rows: [changed("works", work, to[step])],
    });
    return { changeId };
  });
}
