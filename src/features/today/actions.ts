"use server";
import type { ActionResult } from "@/core/model/actionResult";
import { runAction } from "@/server/runtime/action";
import { bringBackLine, putOffLine } from "./writes/putOff";

export async function putOffLineAction(input: unknown): Promise<ActionResult<void>> {
  return runAction((context) => putOffLine(context, input));
}

export async function bringBackLineAction(input: unknown): Promise<ActionResult<void>> {
  return runAction((context) => bringBackLine(context, input));
}
