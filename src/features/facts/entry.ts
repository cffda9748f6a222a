import "server-only";
import type { Context } from "@/server/runtime/context";
import { keepFacts } from "./writes/keepFacts";

/** Way in for the route, which may not write itself. */
export const takeFacts = (context: Context, message: unknown): Promise<{ readonly kept: number }> =>
  keepFacts(context, message);
