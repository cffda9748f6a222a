import "server-only";
import { lastAnswerOfSitting } from "@/db/queries/answerLog";
import type { Context } from "@/server/runtime/context";
import type { SittingView } from "../types";
import { ensureSitting } from "./sitting";
import { lessonsOf, sittingView } from "./sittingView";

/** Begins or resumes the asking student's run at a piece of work: the same item stands there as before. */
export async function openSitting(context: Context, workId: string): Promise<SittingView> {
  return context.runtime.db.write(async (tx) => {
    const open = await ensureSitting(tx, context, workId);
    const last = await lastAnswerOfSitting(tx, open.sitting.id);
    return { ...sittingView(open, last, context.runtime.now()), lessons: lessonsOf(open) };
  });
}
