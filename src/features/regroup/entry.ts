import "server-only";
import type { Runtime } from "@/server/runtime/runtime";
import { watchReteaches } from "./writes/judgeDue";

/** What the process does by itself, as long as it runs. */
export const watch = (runtime: Runtime): void => watchReteaches(runtime);
