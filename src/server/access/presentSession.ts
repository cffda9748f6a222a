import "server-only";
import { cookies } from "next/headers";
import { SESSION_COOKIE } from "./currentActor";
import { tokenHashOf } from "./secrets";

/** The hash of the session that asks; "" when nobody is signed in. */
export async function presentSession(): Promise<string> {
  const token = (await cookies()).get(SESSION_COOKIE)?.value;
  return token ? tokenHashOf(token) : "";
}
