"use server";
import type { ActionResult } from "@/core/model/actionResult";
import { runAction } from "@/server/runtime/action";
import type { MarkChange } from "./types";
import { enterPaper } from "./writes/enterPaper";
import { rateAnswer } from "./writes/rateAnswer";
import { dropItem, rejudgeItem } from "./writes/rejudge";

export async function rateAnswerAction(input: unknown): Promise<ActionResult<{ readonly points: readonly number[] }>> {
  return runAction((context) => rateAnswer(context, input));
}

export async function enterPaperAction(input: unknown): Promise<ActionResult<{ readonly entered: number }>> {
  return runAction((context) => enterPaper(context, input));
}

export async function dropItemAction(
  input: unknown,
): Promise<ActionResult<{ readonly changeId: string | null; readonly marks: readonly MarkChange[] }>> {
  return runAction((context) => dropItem(context, input));
}

export async function rejudgeItemAction(
  input: unknown,
): Promise<ActionResult<{ readonly changeId: string | null; readonly marks: readonly MarkChange[] }>> {
  return runAction((context) => rejudgeItem(context, input));
}
