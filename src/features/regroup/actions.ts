"use server";
import type { ActionResult } from "@/core/model/actionResult";
import { runAction } from "@/server/runtime/action";
import { archiveGroup, assignReteach, makeGroups } from "./writes";

export async function makeGroupsAction(
  input: unknown,
): Promise<ActionResult<{ groupIds: string[]; changeId: string | null }>> {
  return runAction((context) => makeGroups(context, input));
}

export async function assignReteachAction(input: unknown): Promise<ActionResult<{ changeId: string | null }>> {
  return runAction((context) => assignReteach(context, input));
}

export async function archiveGroupAction(groupId: string): Promise<ActionResult<{ changeId: string }>> {
  return runAction((context) => archiveGroup(context, { groupId }));
}
