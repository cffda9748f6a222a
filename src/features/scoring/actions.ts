"use server";
import type { ActionResult } from "@/core/model/actionResult";
import { runAction } from "@/server/runtime/action";
import { enterPaper } from "./writes/enterPaper";
import { rateAnswer } from "./writes/rateAnswer";

export async function rateAnswerAction(input: unknown): Promise<ActionResult<{ readonly points: readonly number[] }>> {
  return runAction((context) => rateAnswer(context, input));
}

export async function enterPaperAction(input: unknown): Promise<ActionResult<{ readonly entered: number }>> {
  return runAction((context) => enterPaper(context, input));
}
