import "server-only";
import type { Context } from "@/server/runtime/context";
import type { Runtime } from "@/server/runtime/runtime";
import type { AnswerReply, EnteredView, SittingChange } from "./types";
import { giveHint } from "./writes/giveHint";
import { handIn } from "./writes/handIn";
import { watchOverdue } from "./writes/handInOverdue";
import { keepVisit } from "./writes/keepVisit";
import { openWork } from "./writes/openSitting";
import { submitAnswer } from "./writes/submitAnswer";

/** Ways in for routes, which may not write themselves: opening a sitting is a page, an answer is a request. */
export const enterWork = (context: Context, workId: string, partId: string | null): Promise<EnteredView> =>
  openWork(context, workId, partId);
export const handOutHint = (context: Context, message: unknown): Promise<{ readonly hint: string }> =>
  giveHint(context, message);
export const keepLessonVisit = (context: Context, message: unknown): Promise<{ readonly kept: true }> =>
  keepVisit(context, message);
export const takeAnswer = (context: Context, message: unknown): Promise<AnswerReply> => submitAnswer(context, message);
export const handInWhole = (context: Context, message: unknown): Promise<{ readonly sitting: SittingChange }> =>
  handIn(context, message);
/** What the process does by itself, as long as it runs. */
export const watch = (runtime: Runtime): void => watchOverdue(runtime);
