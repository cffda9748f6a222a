import "server-only";
import type { Context } from "@/server/runtime/context";
import { saveDraft as save } from "./writes/drafts";
import { beginFrameworkImport as beginFramework } from "./writes/importFramework";
import { beginItemImport as begin } from "./writes/importItems";
import { addPicture as add } from "./writes/pictures";
import { takeOutItems as take } from "./writes/takeOutItems";

/** What routes that write call of the library: a draft is kept at every pause of typing, which makes no page anew; files come and go. */
export const saveDraft = (context: Context, input: unknown) => save(context, input);
export const beginItemImport = (context: Context, input: unknown) => begin(context, input);
export const addPicture = (context: Context, bytes: Uint8Array) => add(context, bytes);
export const takeOutItems = (context: Context, input: unknown) => take(context, input);
export const beginFrameworkImport = (context: Context, input: unknown) => beginFramework(context, input);
