"use server";
import type { ActionResult } from "@/core/model/actionResult";
import { runAction } from "@/server/runtime/action";
import { rateAnswer } from "./writes";

export async function rateAnswerAction(input: unknown): Promise<ActionResult<{ readonly points: readonly number[] }>> {
  return runAction((context) => rateAnswer(context, input));
}
