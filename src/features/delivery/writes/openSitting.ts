import "server-only";
import { lastAnswerOfSitting, scoresOfAnswers } from "@/db/queries/answerLog";
import { targetOf } from "@/db/queries/work";
import type { Queryable } from "@/db/queryable";
import { partsOfTargets } from "@/server/classroom/partsOfTargets";
import type { Context } from "@/server/runtime/context";
import { enter } from "../reads/entered";
import { partsView } from "../reads/partsView";
import { seesResults } from "../reads/released";
import type { Run } from "../reads/run";
import { lessonsOf, sittingView } from "../reads/sittingView";
import type { EnteredView, SittingView } from "../types";
import { beginOrResume } from "./begin";

/** What a student gets who opens work: of several parts their list, else the run at the part, begun now if there is none yet. */
export async function openWork(context: Context, assignmentId: string, partId: string | null): Promise<EnteredView> {
  const entered = await enter(context.runtime.db.read, context, assignmentId);
  if (partId === null && entered.parts.length > 1) return { as: "parts", view: await partsView(context, entered) };
  return { as: "run", view: await openSitting(context, assignmentId, partId) };
}

/** Begins or resumes the asking student's run at a part of a piece of work: the same item stands there as before. */
export async function openSitting(
  context: Context,
  assignmentId: string,
  partId: string | null = null,
): Promise<SittingView> {
  const { runtime, actor } = context;
  const show = async (tx: Queryable): Promise<SittingView> =>
    shown(tx, context, await beginOrResume(tx, context, assignmentId, partId));
  // What was begun is only read: it opens also while nothing can be written.
  const target = await targetOf(runtime.db.read, assignmentId, actor.personId);
  const isBegun = target !== null && (await hasRun(context, target.id, assignmentId, partId));
  return isBegun ? show(runtime.db.read) : runtime.db.write(show);
}

async function hasRun(context: Context, targetId: string, assignmentId: string, partId: string | null) {
  const { work } = await enter(context.runtime.db.read, context, assignmentId);
  const parts = await partsOfTargets(context.runtime.db.read, work.workId, [targetId], context.runtime.now());
  const own = parts.get(targetId)?.find(({ part }, place) => (partId === null ? place === 0 : part.id === partId));
  return own?.run != null;
}

async function shown(tx: Queryable, context: Context, run: Run): Promise<SittingView> {
  const last = await lastAnswerOfSitting(tx, run.sitting.id);
  const scores = last ? await scoresOfAnswers(tx, [last.serial]) : [];
  return {
    ...sittingView(run, last ? { ...last, scores } : null, context.runtime.now()),
    lessons: run.conductor.tells.verdict ? lessonsOf(run) : {},
    hasResults: await seesResults(tx, context, run),
  };
}
