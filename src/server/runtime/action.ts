import "server-only";
import { revalidatePath } from "next/cache";
import { unstable_rethrow } from "next/navigation";
import type { ActionResult } from "@/core/model/actionResult";
import type { Context } from "./context";
import { requestContext } from "./requestContext";
import { told } from "./told";

/** Runs a write for the person signed in and turns a refusal into a message; views are shown anew afterwards. */
export async function runAction<T>(write: (context: Context) => Promise<T>): Promise<ActionResult<T>> {
  try {
    const data = await write(await requestContext());
    revalidatePath("/", "layout");
    return { ok: true, data };
  } catch (error) {
    unstable_rethrow(error);
    return told(error, "action failed");
  }
}
