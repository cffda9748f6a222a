"use server";
import type { ActionResult } from "@/core/model/actionResult";
import { runAction } from "@/server/runtime/action";
import { chooseOwn } from "./writes/chooseOwn";
import { readLesson } from "./writes/readLesson";
import { readLine } from "./writes/readLine";
import { setGoal } from "./writes/setGoal";
import { takeNext } from "./writes/takeNext";
import { takeReview } from "./writes/takeReview";
import { unlock } from "./writes/unlock";

export async function takeNextAction(input: unknown): Promise<ActionResult<{ assignmentId: string }>> {
  return runAction((context) => takeNext(context, input));
}

export async function takeReviewAction(input: unknown): Promise<ActionResult<{ assignmentId: string }>> {
  return runAction((context) => takeReview(context, input));
}

export async function unlockAction(input: unknown): Promise<ActionResult<{ open: true }>> {
  return runAction((context) => unlock(context, input));
}

export async function readLineAction(input: unknown): Promise<ActionResult<{ read: true }>> {
  return runAction((context) => readLine(context, input));
}

export async function chooseOwnAction(input: unknown): Promise<ActionResult<{ assignmentId: string }>> {
  return runAction((context) => chooseOwn(context, input));
}

export async function setGoalAction(input: unknown): Promise<ActionResult<{ daysAWeek: number }>> {
  return runAction((context) => setGoal(context, input));
}

export async function readLessonAction(input: unknown): Promise<ActionResult<{ done: boolean }>> {
  return runAction((context) => readLesson(context, input));
}
