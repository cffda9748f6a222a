import "server-only";
import { keepLook, looksOf } from "@/db/queries/looks";
import { demandStaff } from "@/server/access/demand";
import { demandClasses } from "@/server/access/subjects";
import type { Context } from "@/server/runtime/context";

/** After so long away, looking again is another visit. */
const VISIT_MILLISECONDS = 30 * 60_000;
/** A visit's end needs no finer clock. */
const LEAST_MILLISECONDS = 60_000;

/** Notes that somebody looks at the evidence of some classes now: "since I last looked" reaches back to the end of the visit before. */
export async function noteLook(context: Context, classIds: readonly string[]): Promise<void> {
  const { personId } = demandStaff(context.actor);
  await demandClasses(context, "see", classIds);
  const { runtime } = context;
  const now = runtime.now();
  const known = new Map((await looksOf(runtime.db.read, personId, classIds)).map((look) => [look.classId, look]));
  const due = classIds.filter((id) => now - (known.get(id)?.at ?? 0) >= LEAST_MILLISECONDS);
  if (due.length === 0) return;
  await runtime.db.write(async (tx) => {
    for (const classId of due) {
      const last = known.get(classId);
      const before = last && now - last.at < VISIT_MILLISECONDS ? last.before : (last?.at ?? null);
      await keepLook(tx, { personId, classId, at: now, before });
    }
  });
}
