"use server";
import type { ActionResult } from "@/core/model/actionResult";
import { runAction } from "@/server/runtime/action";
import type { CalendarFile } from "./calendarTypes";
import { readCalendarFile } from "./reads/calendar";
import { changeCalendar } from "./writes/changeCalendar";
import { changePlan } from "./writes/changePlan";
import { changeSharedPlan } from "./writes/changeSharedPlan";
import { choosePlan } from "./writes/choosePlan";
import { closePlan, openPlan } from "./writes/planRights";
import { setNetworks } from "./writes/setNetworks";
import { setRunning } from "./writes/setRunning";
import { setStarts } from "./writes/setStarts";
import { bringPlanBack, makePlan, putPlanAway, renamePlan } from "./writes/sharedPlans";
import { takeOverChanges } from "./writes/takeOverChanges";

export async function choosePlanAction(
  input: unknown,
): Promise<ActionResult<{ changeId: string; gone: readonly string[] }>> {
  return runAction((context) => choosePlan(context, input));
}

export async function changePlanAction(
  input: unknown,
): Promise<ActionResult<{ changeId: string | null; without: readonly string[] }>> {
  return runAction((context) => changePlan(context, input));
}

export async function changeCalendarAction(
  input: unknown,
): Promise<ActionResult<{ changeId: string | null; added: number; already: number; classes: number }>> {
  return runAction((context) => changeCalendar(context, input));
}

export async function readCalendarAction(input: unknown): Promise<ActionResult<CalendarFile>> {
  return runAction((context) => readCalendarFile(context, input));
}

export async function setRunningAction(input: unknown): Promise<ActionResult<{ changeId: string | null }>> {
  return runAction((context) => setRunning(context, input));
}

export async function setStartsAction(
  input: unknown,
): Promise<ActionResult<{ changeId: string | null; moved: number }>> {
  return runAction((context) => setStarts(context, input));
}

export async function setNetworksAction(input: unknown): Promise<ActionResult<{ changeId: string | null }>> {
  return runAction((context) => setNetworks(context, input));
}

export async function makePlanAction(
  input: unknown,
): Promise<ActionResult<{ planId: string; changeId: string | null }>> {
  return runAction((context) => makePlan(context, input));
}

export async function renamePlanAction(input: unknown): Promise<ActionResult<{ changeId: string | null }>> {
  return runAction((context) => renamePlan(context, input));
}

export async function putPlanAwayAction(input: unknown): Promise<ActionResult<{ changeId: string }>> {
  return runAction((context) => putPlanAway(context, input));
}

export async function bringPlanBackAction(input: unknown): Promise<ActionResult<{ changeId: string }>> {
  return runAction((context) => bringPlanBack(context, input));
}

export async function openPlanAction(input: unknown): Promise<ActionResult<{ changeId: string }>> {
  return runAction((context) => openPlan(context, input));
}

export async function closePlanAction(input: unknown): Promise<ActionResult<{ changeId: string }>> {
  return runAction((context) => closePlan(context, input));
}

export async function changeSharedPlanAction(input: unknown): Promise<ActionResult<{ changeId: string | null }>> {
  return runAction((context) => changeSharedPlan(context, input));
}

export async function takeOverChangesAction(
  input: unknown,
): Promise<ActionResult<{ changeId: string; taken: number }>> {
  return runAction((context) => takeOverChanges(context, input));
}
