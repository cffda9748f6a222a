"use server";
import { object, string } from "yup";
import type { ActionResult } from "@/core/model/actionResult";
import { runAction } from "../runtime/action";
import { validated } from "../runtime/validated";
import { undoChange } from "./undoChange";

const undoInput = object({ changeId: string().required("Say what is to be undone.") });

/** The undo behind every notice and the history. */
export async function undoAction(changeId: string): Promise<ActionResult<string>> {
  return runAction((context) => undoChange(context, validated(undoInput, { changeId }).changeId));
}
