import "server-only";
import { and, count, eq, max, sql } from "drizzle-orm";
import type { Queryable } from "../queryable";
import { lessonVisits } from "../schema/sittings";

/** Keeps a visit; the same key again changes nothing. */
export async function keepLessonVisit(tx: Queryable, row: typeof lessonVisits.$inferInsert): Promise<void> {
  await tx.insert(lessonVisits).values(row).onConflictDoNothing();
}

/** How often and how long a student read the lesson of a skill and moved its model; nothing where it was never opened. */
export async function lessonVisitsTo(db: Queryable, personId: string, skillId: string) {
  const [found] = await db
    .select({
      times: count(),
      milliseconds: sql<number>`coalesce(sum(${lessonVisits.milliseconds}), 0)`,
      modelMilliseconds: sql<number>`coalesce(sum(${lessonVisits.modelMilliseconds}), 0)`,
      modelMoves: sql<number>`coalesce(sum(${lessonVisits.modelMoves}), 0)`,
      lastAt: max(lessonVisits.openedAt),
    })
    .from(lessonVisits)
    .where(and(eq(lessonVisits.personId, personId), eq(lessonVisits.skillId, skillId)));
  return found?.lastAt ? { ...found, lastAt: found.lastAt } : null;
}

export async function lessonVisitsOf(db: Queryable, personId: string) {
  return db.select().from(lessonVisits).where(eq(lessonVisits.personId, personId));
}
