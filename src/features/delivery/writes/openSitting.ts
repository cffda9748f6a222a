import "server-only";
import { lastAnswerOfSitting, scoresOfAnswers } from "@/db/queries/answerLog";
import { latestSittingOf } from "@/db/queries/sittings";
import { targetOf } from "@/db/queries/work";
import type { Queryable } from "@/db/queryable";
import type { Context } from "@/server/runtime/context";
import { lessonsOf, sittingView } from "../reads/sittingView";
import type { SittingView } from "../types";
import { beginOrResume } from "./begin";

/** Begins or resumes the asking student's run at a piece of work: the same item stands there as before. */
export async function openSitting(context: Context, assignmentId: string): Promise<SittingView> {
  const { runtime, actor } = context;
  const enter = async (tx: Queryable): Promise<SittingView> => {
    const run = await beginOrResume(tx, context, assignmentId);
    const last = await lastAnswerOfSitting(tx, run.sitting.id);
    const scores = last ? await scoresOfAnswers(tx, [last.serial]) : [];
    return { ...sittingView(run, last ? { ...last, scores } : null, runtime.now()), lessons: lessonsOf(run) };
  };
  // What was begun is only read: it opens also while nothing can be written.
  const target = await targetOf(runtime.db.read, assignmentId, actor.personId);
  const begun = target && (await latestSittingOf(runtime.db.read, target.id));
  return begun ? enter(runtime.db.read) : runtime.db.write(enter);
}
