"use server";
import type { ActionResult } from "@/core/model/actionResult";
import { runAction } from "@/server/runtime/action";
import { assignPractice, moveDueDay, withdrawWork } from "./writes";

export async function assignAction(input: unknown): Promise<ActionResult<{ workId: string; changeId: string | null }>> {
  return runAction((context) => assignPractice(context, input));
}

export async function moveDueDayAction(workId: string, dueDay: string): Promise<ActionResult<{ changeId: string }>> {
  return runAction((context) => moveDueDay(context, { workId, dueDay }));
}

export async function withdrawAction(workId: string): Promise<ActionResult<{ changeId: string }>> {
  return runAction((context) => withdrawWork(context, { workId }));
}
