import "server-only";
import type { Context } from "@/server/runtime/context";
import { saveDraft as save } from "./writes/drafts";

/** What a route that writes calls of the library: a draft is kept at every pause of typing, which makes no page anew. */
export const saveDraft = (context: Context, input: unknown) => save(context, input);
