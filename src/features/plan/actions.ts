"use server";
import type { ActionResult } from "@/core/model/actionResult";
import { runAction } from "@/server/runtime/action";
import { changePlan } from "./writes/changePlan";
import { choosePlan } from "./writes/choosePlan";

export async function choosePlanAction(input: unknown): Promise<ActionResult<{ changeId: string }>> {
  return runAction((context) => choosePlan(context, input));
}

export async function changePlanAction(
  input: unknown,
): Promise<ActionResult<{ changeId: string | null; without: readonly string[] }>> {
  return runAction((context) => changePlan(context, input));
}
