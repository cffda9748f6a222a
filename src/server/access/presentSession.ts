import "server-only";
import { cookies } from "next/headers";
import { theRuntime } from "@/server/runtime/runtime";
import { sessionCookie } from "./cookies";
import { tokenHashOf } from "./secrets";

/** The hash of the session that asks; "" when nobody is signed in. */
export async function presentSession(): Promise<string> {
  const { name } = sessionCookie(await theRuntime(), "staff");
  const token = (await cookies()).get(name)?.value;
  return token ? tokenHashOf(token) : "";
}
