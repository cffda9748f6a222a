"use server";
import type { ActionResult } from "@/core/model/actionResult";
import { runAction } from "@/server/runtime/action";
import { noteTalk } from "./writes/noteTalk";
import { sayNought } from "./writes/sayNought";

export async function noteTalkAction(input: unknown): Promise<ActionResult<{ readonly changeId: string | null }>> {
  return runAction((context) => noteTalk(context, input));
}

export async function sayNoughtAction(input: unknown): Promise<ActionResult<{ readonly changeId: string | null }>> {
  return runAction((context) => sayNought(context, input));
}
