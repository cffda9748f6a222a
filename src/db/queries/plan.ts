import "server-only";
import { asc, eq } from "drizzle-orm";
import type { Queryable } from "../queryable";
import { planEntries } from "../schema/plan";
import { among } from "./people";

export async function planOf(db: Queryable, classId: string) {
  return db.select().from(planEntries).where(eq(planEntries.classId, classId)).orderBy(asc(planEntries.place));
}

/** Puts a plan in the place of what a class had. */
export async function replacePlan(
  tx: Queryable,
  classId: string,
  entries: readonly (typeof planEntries.$inferInsert)[],
): Promise<void> {
  await tx.delete(planEntries).where(eq(planEntries.classId, classId));
  await tx.insert(planEntries).values([...entries]);
}

export async function plansOf(db: Queryable, classIds: readonly string[]) {
  return db.select().from(planEntries).where(among(planEntries.classId, classIds)).orderBy(asc(planEntries.place));
}
