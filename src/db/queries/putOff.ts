import "server-only";
import { and, eq, lt } from "drizzle-orm";
import type { Queryable } from "../queryable";
import { putOffLines } from "../schema/evidence";

/** What somebody put off from their Today. */
export async function putOffOf(db: Queryable, personId: string) {
  return db.select().from(putOffLines).where(eq(putOffLines.personId, personId));
}

export async function keepPutOff(tx: Queryable, row: typeof putOffLines.$inferInsert): Promise<void> {
  await tx
    .insert(putOffLines)
    .values(row)
    .onConflictDoUpdate({
      target: [putOffLines.personId, putOffLines.key],
      set: { said: row.said, untilDay: row.untilDay ?? null, at: row.at },
    });
}

export async function dropPutOff(tx: Queryable, personId: string, key: string): Promise<void> {
  await tx.delete(putOffLines).where(and(eq(putOffLines.personId, personId), eq(putOffLines.key, key)));
}

/** Forgets what was put off so long ago that the matter is over, or back. */
export async function dropPutOffBefore(tx: Queryable, personId: string, at: number): Promise<void> {
  await tx.delete(putOffLines).where(and(eq(putOffLines.personId, personId), lt(putOffLines.at, at)));
}
