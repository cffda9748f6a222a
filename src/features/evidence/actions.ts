"use server";
import type { ActionResult } from "@/core/model/actionResult";
import { runAction } from "@/server/runtime/action";
import { giveUpGoal, setGoal } from "./writes/goals";
import { noteTalk } from "./writes/noteTalk";
import { sayNought } from "./writes/sayNought";
import { praise, setExpectation } from "./writes/weekSettings";

export async function noteTalkAction(input: unknown): Promise<ActionResult<{ readonly changeId: string | null }>> {
  return runAction((context) => noteTalk(context, input));
}

export async function sayNoughtAction(input: unknown): Promise<ActionResult<{ readonly changeId: string | null }>> {
  return runAction((context) => sayNought(context, input));
}

export async function setExpectationAction(
  input: unknown,
): Promise<ActionResult<{ readonly changeId: string | null }>> {
  return runAction((context) => setExpectation(context, input));
}

export async function praiseAction(input: unknown): Promise<ActionResult<{ readonly changeId: string }>> {
  return runAction((context) => praise(context, input));
}

export async function setGoalAction(input: unknown): Promise<ActionResult<{ readonly changeId: string | null }>> {
  return runAction((context) => setGoal(context, input));
}

export async function giveUpGoalAction(input: unknown): Promise<ActionResult<{ readonly changeId: string | null }>> {
  return runAction((context) => giveUpGoal(context, input));
}
