import "server-only";
import type { Runtime } from "@/server/runtime/runtime";
import { watchSeries } from "./writes/giveSeriesDue";

/** What the process does by itself, as long as it runs. */
export const watch = (runtime: Runtime): void => watchSeries(runtime);
