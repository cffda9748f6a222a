"use server";
import type { ActionResult } from "@/core/model/actionResult";
import { runAction } from "@/server/runtime/action";
import { adoptEstimates } from "./writes/adoptEstimates";
import { bringBankBack, changeBank, closeBank, makeBank, openBank, putBankAway } from "./writes/banks";
import { beginCalibration } from "./writes/calibrate";
import { putIntoUse } from "./writes/drafts";
import { keepApart } from "./writes/enemies";
import { applyFrameworkImport, chooseSubject, followFramework, stopReadingFramework } from "./writes/importFramework";
import { applyItemImport, chooseForImport, stopReadingItems } from "./writes/importItems";
import { bringItemsBack, copyItems, dropDraft, moveItems, retireItems } from "./writes/items";
import { keepNote } from "./writes/notes";
import { keepPassage, retirePassage } from "./writes/passages";

type Done = Promise<ActionResult<{ changeId: string }>>;

export async function makeBankAction(
  input: unknown,
): Promise<ActionResult<{ bankId: string; changeId: string | null }>> {
  return runAction((context) => makeBank(context, input));
}
export async function changeBankAction(input: unknown): Done {
  return runAction((context) => changeBank(context, input));
}
export async function putBankAwayAction(input: unknown): Done {
  return runAction((context) => putBankAway(context, input));
}
export async function bringBankBackAction(input: unknown): Done {
  return runAction((context) => bringBankBack(context, input));
}
export async function openBankAction(input: unknown): Done {
  return runAction((context) => openBank(context, input));
}
export async function closeBankAction(input: unknown): Done {
  return runAction((context) => closeBank(context, input));
}
export async function putIntoUseAction(input: unknown): Promise<ActionResult<{ changeId: string; version: number }>> {
  return runAction((context) => putIntoUse(context, input));
}
export async function dropDraftAction(input: unknown): Promise<ActionResult<{ isGone: boolean }>> {
  return runAction((context) => dropDraft(context, input));
}
export async function moveItemsAction(input: unknown): Done {
  return runAction((context) => moveItems(context, input));
}
export async function copyItemsAction(input: unknown): Promise<ActionResult<{ changeId: string; itemIds: string[] }>> {
  return runAction((context) => copyItems(context, input));
}
export async function keepApartAction(input: unknown): Done {
  return runAction((context) => keepApart(context, input));
}
export async function retireItemsAction(input: unknown): Done {
  return runAction((context) => retireItems(context, input));
}
export async function bringItemsBackAction(input: unknown): Done {
  return runAction((context) => bringItemsBack(context, input));
}
export async function keepNoteAction(input: unknown): Promise<ActionResult<{ changeId: string | null }>> {
  return runAction((context) => keepNote(context, input));
}
export async function chooseForImportAction(input: unknown): Promise<ActionResult<void>> {
  return runAction((context) => chooseForImport(context, input));
}
export async function stopReadingItemsAction(input: unknown): Promise<ActionResult<void>> {
  return runAction((context) => stopReadingItems(context, input));
}
export async function applyItemImportAction(
  input: unknown,
): Promise<ActionResult<{ changeId: string; bankId: string }>> {
  return runAction((context) => applyItemImport(context, input));
}
export async function chooseSubjectAction(input: unknown): Promise<ActionResult<void>> {
  return runAction((context) => chooseSubject(context, input));
}
export async function stopReadingFrameworkAction(input: unknown): Promise<ActionResult<void>> {
  return runAction((context) => stopReadingFramework(context, input));
}
export async function applyFrameworkImportAction(
  input: unknown,
): Promise<ActionResult<{ changeId: string; frameworkId: string }>> {
  return runAction((context) => applyFrameworkImport(context, input));
}
export async function followFrameworkAction(input: unknown): Done {
  return runAction((context) => followFramework(context, input));
}
export async function keepPassageAction(
  input: unknown,
): Promise<ActionResult<{ changeId: string | null; version: number }>> {
  return runAction((context) => keepPassage(context, input));
}
export async function retirePassageAction(input: unknown): Done {
  return runAction((context) => retirePassage(context, input));
}
export async function beginCalibrationAction(input: unknown): Promise<ActionResult<void>> {
  // It goes on when the answer has long been sent; how far it is stands in its row.
  return runAction(async (context) => void (await beginCalibration(context, input)));
}
export async function adoptEstimatesAction(input: unknown): Done {
  return runAction((context) => adoptEstimates(context, input));
}
