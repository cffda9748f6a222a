"use server";
import type { ActionResult } from "@/core/model/actionResult";
import { runAction } from "@/server/runtime/action";
import { changeFactSettings } from "./writes/factSettings";

export async function changeFactSettingsAction(input: unknown): Promise<ActionResult<{ changeId: string }>> {
  return runAction((context) => changeFactSettings(context, input));
}
