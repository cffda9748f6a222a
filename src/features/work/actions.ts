"use server";
import type { ActionResult } from "@/core/model/actionResult";
import { runAction } from "@/server/runtime/action";
import { addToWork, assignWork, moveDueDay, withdrawWork } from "./writes";

export async function assignAction(
  input: unknown,
): Promise<ActionResult<{ assignmentId: string; changeId: string | null }>> {
  return runAction((context) => assignWork(context, input));
}

export async function addToWorkAction(input: unknown): Promise<ActionResult<{ changeId: string }>> {
  return runAction((context) => addToWork(context, input));
}

export async function moveDueDayAction(
  assignmentId: string,
  dueDay: string,
): Promise<ActionResult<{ changeId: string }>> {
  return runAction((context) => moveDueDay(context, { assignmentId, dueDay }));
}

export async function withdrawAction(assignmentId: string): Promise<ActionResult<{ changeId: string }>> {
  return runAction((context) => withdrawWork(context, { assignmentId }));
}
