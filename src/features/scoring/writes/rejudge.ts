import "server-only";
import { object, string } from "yup";
import { percentDown } from "@/core/measurement/percentDown";
import { rational } from "@/core/numeric/rational";
import { itemsById } from "@/db/queries/items";
import { classesOfWork, marksOfWork, partItemById } from "@/db/queries/marks";
import { peopleById } from "@/db/queries/people";
import { assignmentById } from "@/db/queries/work";
import type { Queryable } from "@/db/queryable";
import { demandBank } from "@/server/access/bankSubject";
import { demandClasses } from "@/server/access/subjects";
import { shortNames } from "@/server/classroom/names";
import { recordCommand } from "@/server/history/recordChange";
import { versionsOf } from "@/server/library/drawnItems";
import type { Context } from "@/server/runtime/context";
import { Refusal } from "@/server/runtime/refusal";
import { validated } from "@/server/runtime/validated";
import { dropIn } from "@/server/summaries/dropItem";
import { rescoreItem } from "@/server/summaries/rescore";
import type { MarkChange } from "../types";

const dropInput = object({ assignmentId: string().required(), partItemId: string().required() });

/** What a change of scores did to marks, student by student. */
interface Rejudged {
  readonly changeId: string | null;
  readonly marks: readonly MarkChange[];
}

/** Takes an item out of a test for everybody who has it, and says whose marks that changed. */
export async function dropItem(context: Context, raw: unknown): Promise<Rejudged> {
  const { assignmentId, partItemId } = validated(dropInput, raw);
  const { runtime, actor } = context;
  return runtime.db.write(async (tx) => {
    const work = await assignmentById(tx, assignmentId);
    if (!work) throw new Refusal("not-found", "This work is not there any more.");
    await demandClasses(context, "change", [work.classId], tx);
    const item = await partItemById(tx, partItemId);
    if (!item || item.workId !== work.workId) throw new Refusal("not-found", "This item is not in this test any more.");
    // The same test may have gone to other classes: what changes there has to be the asker's to change.
    await demandClasses(context, "change", await classesOfWork(tx, work.workId), tx);
    if (item.points === 0) throw new Refusal("conflict", "This item is left out already.");
    const before = await marksOfWork(tx, work.workId);
    const [version] = [...(await versionsOf(runtime, [item.versionId])).values()];
    const usual = version?.body.parts.reduce((sum, one) => sum + (one.points ?? 1), 0) ?? 1;
    const changeId = await recordCommand(tx, runtime, {
      kind: "item-dropped",
      facts: {
        title: work.title,
        place: item.place + 1,
        partItemId,
        placed: item.points,
        shown: item.points ?? usual,
      },
      schoolId: actor.schoolId,
      actorId: actor.personId,
      classId: work.classId,
      command: "drop",
    });
    await dropIn(tx, runtime, item, changeId);
    return { changeId, marks: await marksChanged(tx, work.workId, before) };
  });
}

const rejudgeInput = object({ assignmentId: string().required(), itemId: string().required() });

/** Judges the answers of the school to earlier versions of an item by its present key, and says whose marks in this work that changed. */
export async function rejudgeItem(context: Context, raw: unknown): Promise<Rejudged> {
  const { assignmentId, itemId } = validated(rejudgeInput, raw);
  const { runtime, actor } = context;
  const db = runtime.db.read;
  const [work, [item]] = await Promise.all([assignmentById(db, assignmentId), itemsById(db, [itemId])]);
  if (!work) throw new Refusal("not-found", "This work is not there any more.");
  await demandClasses(context, "change", [work.classId]);
  if (!item) throw new Refusal("not-found", "This item is not in the library any more.");
  // Answers of every class of the school are judged: that is for those who look after the key.
  await demandBank(context, "change", item.bankId);
  const before = await marksOfWork(db, work.workId);
  const { changeIds } = await rescoreItem(runtime, itemId, { schoolId: actor.schoolId, actorId: actor.personId });
  return { changeId: changeIds[0] ?? null, marks: await marksChanged(db, work.workId, before) };
}

async function marksChanged(
  db: Queryable,
  workId: string,
  before: Awaited<ReturnType<typeof marksOfWork>>,
): Promise<MarkChange[]> {
  const after = new Map((await marksOfWork(db, workId)).map(({ sittingId, mark }) => [sittingId, mark]));
  const changed = before.filter(({ sittingId, mark }) => mark !== null && after.get(sittingId) !== mark);
  const names = shortNames(
    await peopleById(
      db,
      changed.map(({ personId }) => personId),
    ),
  );
  return changed.map(({ personId, sittingId, mark }) => {
    const next = after.get(sittingId) ?? null;
    return {
      name: names.get(personId) ?? "",
      before: mark === null ? null : percentDown(rational(mark)),
      after: next === null ? null : percentDown(rational(next)),
    };
  });
}
