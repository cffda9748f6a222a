"use server";
import type { ActionResult } from "@/core/model/actionResult";
import { runAction } from "@/server/runtime/action";
import { changeGroup, endGroupShare, makeGroup, moveMembers, shareGroup } from "./writes/groups";
import { archiveGroup, assignReteach, makeGroups } from "./writes/reteachGroups";

type Done = ActionResult<{ changeId: string }>;

export async function makeGroupsAction(
  input: unknown,
): Promise<ActionResult<{ groupIds: string[]; changeId: string | null }>> {
  return runAction((context) => makeGroups(context, input));
}

export async function assignReteachAction(input: unknown): Promise<ActionResult<{ changeId: string | null }>> {
  return runAction((context) => assignReteach(context, input));
}

export async function archiveGroupAction(groupId: string): Promise<Done> {
  return runAction((context) => archiveGroup(context, { groupId }));
}

export async function makeGroupAction(
  input: unknown,
): Promise<ActionResult<{ groupId: string; changeId: string | null }>> {
  return runAction((context) => makeGroup(context, input));
}

export async function changeGroupAction(input: unknown): Promise<Done> {
  return runAction((context) => changeGroup(context, input));
}

export async function moveMembersAction(input: unknown): Promise<Done> {
  return runAction((context) => moveMembers(context, input));
}

export async function shareGroupAction(input: unknown): Promise<Done> {
  return runAction((context) => shareGroup(context, input));
}

export async function endGroupShareAction(input: unknown): Promise<Done> {
  return runAction((context) => endGroupShare(context, input));
}
