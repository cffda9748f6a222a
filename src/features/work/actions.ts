"use server";
import type { ActionResult } from "@/core/model/actionResult";
import type { RuleEffect } from "@/core/work/effectsOfRules";
import { runAction } from "@/server/runtime/action";
import { addStudents } from "./writes/addStudents";
import { changeRules } from "./writes/changeRules";
import { addToWork, giveNow, moveDueDay, withdrawWork } from "./writes/changeWork";
import { furtherTry } from "./writes/furtherTry";
import { giveMarked } from "./writes/giveMarked";
import { giveWork } from "./writes/giveWork";
import { grant, openPart } from "./writes/grant";
import { changeKeptWork, keepWork } from "./writes/keepWork";
import { sendLines } from "./writes/lines";
import { endNow, pauseWork, resumeWork } from "./writes/live";
import { keepPreset, putPresetAway } from "./writes/presets";
import { releaseWork } from "./writes/release";
import { endSeries, makeSeries } from "./writes/series";
import { beginTrial, endTrial, tryGiven } from "./writes/trial";

export async function giveAction(
  input: unknown,
): Promise<ActionResult<{ assignmentIds: readonly string[]; changeId: string | null }>> {
  return runAction((context) => giveWork(context, input));
}

export async function addToWorkAction(input: unknown): Promise<ActionResult<{ changeId: string }>> {
  return runAction((context) => addToWork(context, input));
}

export async function moveDueDayAction(
  assignmentId: string,
  dueDay: string,
): Promise<ActionResult<{ changeId: string }>> {
  return runAction((context) => moveDueDay(context, { assignmentId, dueDay }));
}

export async function withdrawAction(assignmentId: string): Promise<ActionResult<{ changeId: string }>> {
  return runAction((context) => withdrawWork(context, { assignmentId }));
}

export async function releaseAction(input: unknown): Promise<ActionResult<{ changeId: string | null }>> {
  return runAction((context) => releaseWork(context, input));
}

export async function grantAction(input: unknown): Promise<ActionResult<{ changeId: string }>> {
  return runAction((context) => grant(context, input));
}

export async function openPartAction(input: unknown): Promise<ActionResult<{ changeId: string | null }>> {
  return runAction((context) => openPart(context, input));
}

export async function giveNowAction(assignmentId: string): Promise<ActionResult<{ changeId: string }>> {
  return runAction((context) => giveNow(context, { assignmentId }));
}

export async function giveMarkedAction(
  input: unknown,
): Promise<ActionResult<{ changeId: string | null; works: number }>> {
  return runAction((context) => giveMarked(context, input));
}

export async function addStudentsAction(input: unknown): Promise<ActionResult<{ changeId: string | null }>> {
  return runAction((context) => addStudents(context, input));
}

export async function pauseAction(input: unknown): Promise<ActionResult<{ changeId: string }>> {
  return runAction((context) => pauseWork(context, input));
}

export async function resumeAction(input: unknown): Promise<ActionResult<{ changeId: string }>> {
  return runAction((context) => resumeWork(context, input));
}

export async function endNowAction(input: unknown): Promise<ActionResult<{ changeId: string }>> {
  return runAction((context) => endNow(context, input));
}

export async function sendLinesAction(input: unknown): Promise<ActionResult<{ changeId: string }>> {
  return runAction((context) => sendLines(context, input));
}

export async function makeSeriesAction(input: unknown): Promise<ActionResult<{ changeId: string | null }>> {
  return runAction((context) => makeSeries(context, input));
}

export async function endSeriesAction(seriesId: string): Promise<ActionResult<{ changeId: string }>> {
  return runAction((context) => endSeries(context, { seriesId }));
}

export async function keepWorkAction(assignmentId: string): Promise<ActionResult<{ changeId: string }>> {
  return runAction((context) => keepWork(context, { assignmentId }));
}

export async function changeKeptWorkAction(input: unknown): Promise<ActionResult<{ changeId: string }>> {
  return runAction((context) => changeKeptWork(context, input));
}

export async function furtherTryAction(input: unknown): Promise<ActionResult<{ changeId: string }>> {
  return runAction((context) => furtherTry(context, input));
}

export async function changeRulesAction(
  input: unknown,
): Promise<ActionResult<{ effects: readonly RuleEffect[]; changeId: string | null }>> {
  return runAction((context) => changeRules(context, input));
}

export async function beginTrialAction(input: unknown): Promise<ActionResult<{ trialId: string }>> {
  return runAction((context) => beginTrial(context, input));
}

export async function tryGivenAction(assignmentId: string): Promise<ActionResult<{ trialId: string }>> {
  return runAction((context) => tryGiven(context, { assignmentId }));
}

export async function endTrialAction(): Promise<ActionResult<{ ended: true }>> {
  return runAction((context) => endTrial(context));
}

export async function keepPresetAction(input: unknown): Promise<ActionResult<{ presetId: string }>> {
  return runAction((context) => keepPreset(context, input));
}

export async function putPresetAwayAction(input: unknown): Promise<ActionResult<{ away: boolean }>> {
  return runAction((context) => putPresetAway(context, input));
}
