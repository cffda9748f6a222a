import "server-only";
import { groupById } from "@/db/queries/regroup";
import { reteachById, reteachesToJudge } from "@/db/queries/reteaches";
import { judgeGroup } from "@/server/classroom/judgeGroup";
import { log } from "@/server/runtime/log";
import type { Runtime } from "@/server/runtime/runtime";
import { todayOf } from "@/server/runtime/school";

/** Judges each reteach whose check is over, once; any number of processes may look. How many were judged now. */
export async function judgeDue(runtime: Runtime): Promise<number> {
  let judged = 0;
  for (const { id, groupId } of await reteachesToJudge(runtime.db.read, runtime.now())) {
    const group = await groupById(runtime.db.read, groupId);
    if (!group) continue;
    const day = await todayOf(runtime, group.schoolId);
    const now = await runtime.db.write(async (tx) => {
      const reteach = await reteachById(tx, id);
      return reteach ? judgeGroup(tx, reteach, { day, over: true }) : false;
    });
    if (now) judged++;
  }
  return judged;
}

const LOOK_MILLISECONDS = 60_000;

/** Looks for such reteaches as long as the process runs. */
export function watchReteaches(runtime: Runtime): void {
  const look = () =>
    void judgeDue(runtime).catch((error: unknown) => log("error", "a reteach could not be judged", { error }));
  look();
  setInterval(look, LOOK_MILLISECONDS).unref();
}
