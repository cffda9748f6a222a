import "server-only";
import { redirect, unstable_rethrow } from "next/navigation";
import type { ActionResult } from "@/core/model/actionResult";
import type { Context } from "./context";
import { Refusal } from "./refusal";
import { requestContext } from "./requestContext";
import { told } from "./told";

/** What a page shows: the read's result, or the words of its refusal. Signed-out people go to the sign-in. */
export async function attempt<T>(read: (context: Context) => Promise<T>): Promise<ActionResult<T>> {
  try {
    return { ok: true, data: await read(await requestContext()) };
  } catch (error) {
    unstable_rethrow(error);
    if (error instanceof Refusal && error.code === "signed-out") redirect("/sign-in");
    return told(error, "page failed");
  }
}
