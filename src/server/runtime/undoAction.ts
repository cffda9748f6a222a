"use server";
import type { ActionResult } from "@/core/model/actionResult";
import { runAction } from "./action";
import { undoChange } from "./history";

/** The undo behind every notice and the history. */
export async function undoAction(changeId: string): Promise<ActionResult<string>> {
  return runAction((context) => undoChange(context, changeId));
}
