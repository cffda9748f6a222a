"use server";
import type { ActionResult } from "@/core/model/actionResult";
import { runAction } from "@/server/runtime/action";
import { noteTalk } from "./writes/noteTalk";

export async function noteTalkAction(input: unknown): Promise<ActionResult<{ readonly changeId: string | null }>> {
  return runAction((context) => noteTalk(context, input));
}
