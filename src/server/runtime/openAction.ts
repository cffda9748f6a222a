import "server-only";
import { unstable_rethrow } from "next/navigation";
import type { ActionResult } from "@/core/model/actionResult";
import { log } from "./log";
import { Refusal } from "./refusal";
import { type Runtime, theRuntime } from "./runtime";

/** Runs what nobody has to be signed in for: signing in itself. */
export async function runOpenAction<T>(use: (runtime: Runtime) => Promise<T>): Promise<ActionResult<T>> {
  try {
    return { ok: true, data: await use(await theRuntime()) };
  } catch (error) {
    unstable_rethrow(error);
    if (error instanceof Refusal) return { ok: false, code: error.code, message: error.message };
    log("error", "sign-in failed", { error: String(error) });
    return { ok: false, code: "failed", message: "That did not work. Please try again in a moment." };
  }
}
