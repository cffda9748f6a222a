"use server";
import { cookies } from "next/headers";
import { redirect } from "next/navigation";
import type { ActionResult } from "@/core/model/actionResult";
import { sessionCookie } from "@/server/access/cookies";
import { doorstep } from "@/server/access/doorstep";
import { presentSession } from "@/server/access/presentSession";
import type { ClassDoor } from "@/server/access/signIn";
import { runAction } from "@/server/runtime/action";
import { runOpenAction } from "@/server/runtime/openAction";
import { theRuntime } from "@/server/runtime/runtime";
import { beginSecondStep, changePassword, confirmSecondStep, endSession, removeSecondStep } from "./writes/account";
import { enterAsStaff, enterAsStudent, enterByCard, leave, openDoor } from "./writes/enter";
import { askReset, setPasswordByLink } from "./writes/resetPassword";

async function keepSession(token: string, kind: "staff" | "student"): Promise<void> {
  const { name, options } = sessionCookie(await theRuntime(), kind);
  (await cookies()).set(name, token, options);
}

export async function openDoorAction(code: string): Promise<ActionResult<ClassDoor>> {
  return runOpenAction((runtime) => openDoor(runtime, { code }));
}

export async function studentSignInAction(input: unknown): Promise<ActionResult<null>> {
  const from = await doorstep();
  const result = await runOpenAction((runtime) => enterAsStudent(runtime, input, from));
  if (!result.ok) return result;
  await keepSession(result.data, "student");
  redirect("/river");
}

export async function cardSignInAction(input: unknown): Promise<ActionResult<null>> {
  const from = await doorstep();
  const result = await runOpenAction((runtime) => enterByCard(runtime, input, from));
  if (!result.ok) return result;
  await keepSession(result.data, "student");
  redirect("/river");
}

export async function staffSignInAction(input: unknown): Promise<ActionResult<"code">> {
  const from = await doorstep();
  const result = await runOpenAction((runtime) => enterAsStaff(runtime, input, from));
  if (!result.ok) return result;
  if (result.data === "code") return { ok: true, data: "code" };
  await keepSession(result.data.token, "staff");
  redirect("/");
}

export async function signOutAction(): Promise<void> {
  const jar = await cookies();
  const runtime = await theRuntime();
  const { name, options } = sessionCookie(runtime, "staff");
  const token = jar.get(name)?.value;
  if (token) await leave(runtime, token);
  jar.set(name, "", { ...options, maxAge: 0 });
  redirect("/sign-in");
}

export async function askResetAction(input: unknown): Promise<ActionResult<void>> {
  return runOpenAction((runtime) => askReset(runtime, input));
}

export async function setPasswordByLinkAction(input: unknown): Promise<ActionResult<void>> {
  return runOpenAction((runtime) => setPasswordByLink(runtime, input));
}

export async function changePasswordAction(input: unknown): Promise<ActionResult<void>> {
  const session = await presentSession();
  return runAction((context) => changePassword(context, input, session));
}

export async function beginSecondStepAction(input: unknown): Promise<ActionResult<{ secret: string }>> {
  return runAction((context) => beginSecondStep(context, input));
}

export async function confirmSecondStepAction(input: unknown): Promise<ActionResult<void>> {
  return runAction((context) => confirmSecondStep(context, input));
}

export async function removeSecondStepAction(input: unknown): Promise<ActionResult<void>> {
  return runAction((context) => removeSecondStep(context, input));
}

export async function endSessionAction(input: unknown): Promise<ActionResult<void>> {
  return runAction((context) => endSession(context, input));
}
