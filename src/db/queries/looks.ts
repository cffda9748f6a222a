import "server-only";
import { and, eq } from "drizzle-orm";
import type { Queryable } from "../queryable";
import { reportLooks } from "../schema/evidence";
import { among } from "./people";

/** When somebody looked at the evidence of some classes. */
export async function looksOf(db: Queryable, personId: string, classIds: readonly string[]) {
  return db
    .select()
    .from(reportLooks)
    .where(and(eq(reportLooks.personId, personId), among(reportLooks.classId, classIds)));
}

export async function keepLook(tx: Queryable, look: typeof reportLooks.$inferInsert): Promise<void> {
  await tx
    .insert(reportLooks)
    .values(look)
    .onConflictDoUpdate({
      target: [reportLooks.personId, reportLooks.classId],
      set: { at: look.at, before: look.before ?? null },
    });
}
