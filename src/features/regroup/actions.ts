"use server";
import type { ActionResult } from "@/core/model/actionResult";
import { runAction } from "@/server/runtime/action";
import { assignReteach } from "./writes/assignReteach";
import { archiveGroup, changeGroup, endGroupShare, makeGroup, moveMembers, shareGroup } from "./writes/groups";
import { keepHabits } from "./writes/habits";
import { keepOwnReteach, notePresence, noteVisit } from "./writes/lessonNotes";
import { makeGroups } from "./writes/makeGroups";
import { keepOutsideScores, removeOutsideScores } from "./writes/outsideScores";
import { reteachNow } from "./writes/reteachNow";

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

export async function keepHabitsAction(input: unknown): Promise<Done> {
  return runAction((context) => keepHabits(context, input));
}

export async function notePresenceAction(input: unknown): Promise<ActionResult<{ changeId: string | null }>> {
  return runAction((context) => notePresence(context, input));
}

export async function keepOwnReteachAction(input: unknown): Promise<ActionResult<{ changeId: string | null }>> {
  return runAction((context) => keepOwnReteach(context, input));
}

export async function noteVisitAction(input: unknown): Promise<ActionResult<{ changeId: string | null }>> {
  return runAction((context) => noteVisit(context, input));
}

export async function keepOutsideScoresAction(input: unknown): Promise<ActionResult<{ changeId: string | null }>> {
  return runAction((context) => keepOutsideScores(context, input));
}

export async function removeOutsideScoresAction(input: unknown): Promise<Done> {
  return runAction((context) => removeOutsideScores(context, input));
}

export async function reteachNowAction(
  input: unknown,
): Promise<ActionResult<{ groupId: string; changeIds: readonly string[] }>> {
  return runAction((context) => reteachNow(context, input));
}
