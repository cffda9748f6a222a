import "server-only";
import type { Context } from "@/server/runtime/context";
import type { Search } from "./frame/frameParams";
import { noteLook as note } from "./writes/look";
import { takeReport as take } from "./writes/takeReport";

/** What routes that write call of the evidence. */
export const noteLook = (context: Context, classIds: readonly string[]) => note(context, classIds);
export const takeReport = (context: Context, report: string, search: Search) => take(context, report, search);
