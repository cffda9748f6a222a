import "server-only";
import { lastAnswerOfSitting } from "@/db/queries/answerLog";
import { sittingOf } from "@/db/queries/delivery";
import type { Queryable } from "@/db/queryable";
import type { Context } from "@/server/runtime/context";
import type { SittingView } from "../types";
import { ensureSitting } from "./sitting";
import { lessonsOf, sittingView } from "./sittingView";

/** Begins or resumes the asking student's run at a piece of work: the same item stands there as before. */
export async function openSitting(context: Context, workId: string): Promise<SittingView> {
  const { db } = context.runtime;
  const enter = async (tx: Queryable) => {
    const open = await ensureSitting(tx, context, workId);
    const last = await lastAnswerOfSitting(tx, open.sitting.id);
    return { ...sittingView(open, last, context.runtime.now()), lessons: lessonsOf(open) };
  };
  // What was begun is only read: it opens also while nothing can be written.
  const begun = await sittingOf(db.read, workId, context.actor.personId);
  return begun ? enter(db.read) : db.write(enter);
}
