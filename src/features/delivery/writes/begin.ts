import "server-only";
import { isOver } from "@/core/work/isOver";
import { insertSitting, itemsOfSitting, latestSittingOf, type SittingOwner } from "@/db/queries/sittings";
import { assignmentById, type GivenWork, targetOf } from "@/db/queries/work";
import type { Queryable } from "@/db/queryable";
import type { Context } from "@/server/runtime/context";
import { Refusal } from "@/server/runtime/refusal";
import { loadRun, type Run } from "../reads/run";
import { goOn } from "./goOn";

/** The open run of the asking student at what was given, begun now if there is none yet. */
export async function beginOrResume(tx: Queryable, context: Context, assignmentId: string): Promise<Run> {
  const { runtime, actor } = context;
  if (actor.kind !== "student")
    throw new Refusal("not-allowed", "Only students work on this. To look at it, open the skill in the library.");
  const work = await assignmentById(tx, assignmentId);
  const target = await targetOf(tx, assignmentId, actor.personId);
  if (!work || !target || work.withdrawnAt !== null) throw new Refusal("not-found", "This work is not on your list.");
  if (runtime.now() < work.opensAt) throw new Refusal("closed", "This work is not open yet.");
  const known = await latestSittingOf(tx, target.id);
  const over = isOver(work.dueAt, runtime.now());
  if (known && (known.sitting.finishedAt !== null || !over))
    return loadRun(tx, runtime, known, await itemsOfSitting(tx, known.sitting.id));
  if (over) throw new Refusal("closed", "The time for this work is over. Ask your teacher to open it again.");
  return begin(tx, context, work, { targetId: target.id, extraItems: target.extraItems, attempt: 1 });
}

/** Begins a run: what its conductor wants to remember is taken down, and the first items are chosen. */
export async function begin(
  tx: Queryable,
  { runtime, actor }: Context,
  work: GivenWork,
  {
    targetId,
    extraItems,
    attempt,
  }: { readonly targetId: string; readonly extraItems: number; readonly attempt: number },
): Promise<Run> {
  const now = runtime.now();
  const owner: SittingOwner = {
    personId: actor.personId,
    assignmentId: work.id,
    extraItems,
    sitting: {
      id: runtime.newId(),
      targetId,
      partId: work.partId,
      attempt,
      version: 1,
      startedAt: now,
      lastAt: now,
      finishedAt: null,
      finishReason: null,
      itemsDone: 0,
      itemsRight: 0,
      progressPermille: 0,
      activeMilliseconds: 0,
      mark: null,
      state: {},
    },
  };
  const fresh = await loadRun(tx, runtime, owner, []);
  const state = fresh.conductor.begin(fresh.situation);
  const begun = goOn(runtime, {
    ...fresh,
    sitting: { ...fresh.sitting, state },
    situation: { ...fresh.situation, state },
  });
  await insertSitting(tx, begun.sitting, begun.items);
  return begun;
}
