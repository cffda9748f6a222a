import "server-only";
import { unstable_rethrow } from "next/navigation";
import type { ActionResult } from "@/core/model/actionResult";
import { type Runtime, theRuntime } from "./runtime";
import { told } from "./told";

/** Runs what nobody has to be signed in for: signing in itself. */
export async function runOpenAction<T>(use: (runtime: Runtime) => Promise<T>): Promise<ActionResult<T>> {
  try {
    return { ok: true, data: await use(await theRuntime()) };
  } catch (error) {
    unstable_rethrow(error);
    return told(error, "sign-in failed");
  }
}
