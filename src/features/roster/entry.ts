import "server-only";
import type { Context } from "@/server/runtime/context";
import { exportRoster as exportIt, exportStudent as exportOne } from "./writes/exports";
import { beginImport as begin } from "./writes/importRoster";

/** What routes that write call of the roster. */
export const beginImport = (context: Context, input: unknown) => begin(context, input);
export const exportRoster = (context: Context, input: unknown) => exportIt(context, input);
export const exportStudent = (context: Context, input: unknown) => exportOne(context, input);
