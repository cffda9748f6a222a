"use server";
import type { ActionResult } from "@/core/model/actionResult";
import { runAction } from "@/server/runtime/action";
import { closePointer, sendPointer } from "./writes/pointers";

export async function sendPointerAction(input: unknown): Promise<ActionResult<{ readonly changeId: string | null }>> {
  return runAction((context) => sendPointer(context, input));
}

export async function closePointerAction(input: unknown): Promise<ActionResult<{ readonly changeId: string | null }>> {
  return runAction((context) => closePointer(context, input));
}
