import "server-only";
import { overdueSittings } from "@/db/queries/sittings";
import { log } from "@/server/runtime/log";
import type { Runtime } from "@/server/runtime/runtime";
import { forgetRunOf } from "../reads/keptRuns";
import { loadRun } from "../reads/run";
import { handInRun } from "./handIn";

/** Answers that are under way at the end are waited for so long. */
const GRACE_MILLISECONDS = 15_000;
const AT_ONCE = 50;

/** Hands in every test whose time is over: its own, or the work's. Any number of processes may look; each test is handed in once. */
export async function handInOverdue(runtime: Runtime): Promise<number> {
  let handedIn = 0;
  for (;;) {
    const overdue = await overdueSittings(runtime.db.read, runtime.now() - GRACE_MILLISECONDS, AT_ONCE);
    for (const owner of overdue) {
      const isIn = await runtime.db.write(async (tx) =>
        handInRun(tx, runtime, await loadRun(tx, runtime, owner), "time-up"),
      );
      forgetRunOf(runtime, owner.personId);
      if (isIn) handedIn++;
    }
    // What another process is moving at this moment is looked at next time.
    if (overdue.length < AT_ONCE || handedIn === 0) return handedIn;
  }
}

const LOOK_MILLISECONDS = 20_000;

/** Looks for such tests as long as the process runs. */
export function watchOverdue(runtime: Runtime): void {
  setInterval(
    () =>
      void handInOverdue(runtime).catch((error: unknown) => log("error", "a test could not be handed in", { error })),
    LOOK_MILLISECONDS,
  ).unref();
}
