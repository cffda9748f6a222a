import "server-only";
import { asc, eq, inArray } from "drizzle-orm";
import type { Queryable } from "../queryable";
import { planEntries } from "../schema/plan";

export async function planOf(db: Queryable, classId: string) {
  return db.select().from(planEntries).where(eq(planEntries.classId, classId)).orderBy(asc(planEntries.place));
}

export async function plansOf(db: Queryable, classIds: readonly string[]) {
  return db
    .select()
    .from(planEntries)
    .where(inArray(planEntries.classId, [...classIds]))
    .orderBy(asc(planEntries.place));
}
