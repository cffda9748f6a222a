"use server";
import type { ActionResult } from "@/core/model/actionResult";
import { runAction } from "@/server/runtime/action";
import { placeReviewSkills } from "./writes/placeSkills";
import { changeReviewSettings } from "./writes/reviewSettings";

export async function changeReviewSettingsAction(input: unknown): Promise<ActionResult<{ changeId: string }>> {
  return runAction((context) => changeReviewSettings(context, input));
}

export async function placeReviewSkillsAction(input: unknown): Promise<ActionResult<{ changeId: string }>> {
  return runAction((context) => placeReviewSkills(context, input));
}
