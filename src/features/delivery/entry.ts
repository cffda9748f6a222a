import "server-only";
import type { Context } from "@/server/runtime/context";
import type { AnswerReply, SittingView } from "./types";
import { giveHint } from "./writes/giveHint";
import { keepVisit } from "./writes/keepVisit";
import { openSitting } from "./writes/openSitting";
import { submitAnswer } from "./writes/submitAnswer";

/** Ways in for routes, which may not write themselves: opening a sitting is a page, an answer is a request. */
export const enterWork = (context: Context, workId: string): Promise<SittingView> => openSitting(context, workId);
export const handOutHint = (context: Context, message: unknown): Promise<{ readonly hint: string }> =>
  giveHint(context, message);
export const keepLessonVisit = (context: Context, message: unknown): Promise<{ readonly kept: true }> =>
  keepVisit(context, message);
export const takeAnswer = (context: Context, message: unknown): Promise<AnswerReply> => submitAnswer(context, message);
