"use server";
import type { ActionResult } from "@/core/model/actionResult";
import { runAction } from "@/server/runtime/action";
import type { SignInSlip } from "./types";
import { applyImport, beginImport, setColumn } from "./writes/importRoster";
import { newPins } from "./writes/newPins";

export async function beginImportAction(form: FormData): Promise<ActionResult<string>> {
  const file = form.get("file");
  const bytes = file instanceof File ? new Uint8Array(await file.arrayBuffer()) : undefined;
  const classId = form.get("classId");
  return runAction((context) =>
    beginImport(context, {
      classId: classId === "new" ? null : classId,
      newClassName: form.get("newClassName") || null,
      newClassGrade: form.get("newClassGrade") || null,
      fileName: file instanceof File ? file.name : "",
      bytes,
    }),
  );
}

export async function setColumnAction(input: unknown): Promise<ActionResult<void>> {
  return runAction((context) => setColumn(context, input));
}

export async function applyImportAction(input: unknown): Promise<ActionResult<{ changeId: string; classId: string }>> {
  return runAction((context) => applyImport(context, input));
}

export async function newPinsAction(studentIds: readonly string[]): Promise<ActionResult<SignInSlip[]>> {
  return runAction((context) => newPins(context, { studentIds }));
}
