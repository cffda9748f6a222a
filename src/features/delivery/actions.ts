"use server";
import type { ActionResult } from "@/core/model/actionResult";
import { runAction } from "@/server/runtime/action";
import { takeNext } from "./writes/takeNext";

export async function takeNextAction(input: unknown): Promise<ActionResult<{ assignmentId: string }>> {
  return runAction((context) => takeNext(context, input));
}
