import "server-only";
import { lastAnswerOfSitting, scoresOfAnswers } from "@/db/queries/answerLog";
import type { Queryable } from "@/db/queryable";
import type { Context } from "@/server/runtime/context";
import { type Entered, enter, ownPart, runThatStands } from "../reads/entered";
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
  return { as: "run", view: await openEntered(context, entered, partId) };
}

/** Begins or resumes the asking student's run at a part of a piece of work: the same item stands there as before. */
export async function openSitting(
  context: Context,
  assignmentId: string,
  partId: string | null = null,
): Promise<SittingView> {
  return openEntered(context, await enter(context.runtime.db.read, context, assignmentId), partId);
}

async function openEntered(context: Context, entered: Entered, partId: string | null): Promise<SittingView> {
  const { db } = context.runtime;
  // What was begun is only read: it opens also while nothing can be written.
  const own = ownPart(entered, partId);
  if (own && runThatStands(own)) return shown(db.read, context, await beginOrResume(db.read, context, entered, partId));
  return db.write(async (tx) => {
    // Begun meanwhile, in another window, it is gone on with.
    const now = await enter(tx, context, entered.work.id);
    return shown(tx, context, await beginOrResume(tx, context, now, partId));
  });
}

async function shown(tx: Queryable, context: Context, run: Run): Promise<SittingView> {
  const last = await lastAnswerOfSitting(tx, run.sitting.id);
  const scores = last ? await scoresOfAnswers(tx, [last.serial]) : [];
  return {
    ...sittingView(run, last ? { ...last, scores } : null, context.runtime.now()),
    lessons: run.conductor.tells.verdict || run.conductor.isRead ? lessonsOf(run) : {},
    hasResults: await seesResults(tx, context, run),
  };
}
