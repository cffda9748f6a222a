import "server-only";
import { requireActor } from "@/server/access/currentActor";
import { requestAddress } from "@/server/access/requestAddress";
import type { Context } from "./context";
import { theRuntime } from "./runtime";

/** Who asks now, from where, and what the answer runs on; refuses whoever is not signed in. */
export async function requestContext(): Promise<Context> {
  const [runtime, actor, address] = await Promise.all([theRuntime(), requireActor(), requestAddress()]);
  return { runtime, actor, address };
}
