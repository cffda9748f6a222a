"use server";
import { cookies } from "next/headers";
import { redirect } from "next/navigation";
import type { ActionResult } from "@/core/model/actionResult";
import { SESSION_COOKIE } from "@/server/access/currentActor";
import type { ClassDoor } from "@/server/access/signIn";
import { runOpenAction } from "@/server/runtime/openAction";
import { theRuntime } from "@/server/runtime/runtime";
import { enterAsStaff, enterAsStudent, leave, openDoor } from "./writes";

const COOKIE = { httpOnly: true, sameSite: "lax", path: "/", maxAge: 12 * 3600 } as const;

export async function openDoorAction(code: string): Promise<ActionResult<ClassDoor>> {
  return runOpenAction((runtime) => openDoor(runtime, { code }));
}

export async function studentSignInAction(input: {
  code: string;
  studentId: string;
  pin: string;
}): Promise<ActionResult<null>> {
  const result = await runOpenAction((runtime) => enterAsStudent(runtime, input));
  if (!result.ok) return result;
  (await cookies()).set(SESSION_COOKIE, result.data, COOKIE);
  redirect("/river");
}

export async function staffSignInAction(input: { email: string; password: string }): Promise<ActionResult<null>> {
  const result = await runOpenAction((runtime) => enterAsStaff(runtime, input));
  if (!result.ok) return result;
  (await cookies()).set(SESSION_COOKIE, result.data, COOKIE);
  redirect("/");
}

export async function signOutAction(): Promise<void> {
  const jar = await cookies();
  const token = jar.get(SESSION_COOKIE)?.value;
  if (token) await leave(await theRuntime(), token);
  jar.delete(SESSION_COOKIE);
  redirect("/sign-in");
}
