import "server-only";
import { asc, eq } from "drizzle-orm";
import type { Queryable } from "../queryable";
import { planEntries } from "../schema/plan";
import { among } from "./people";

export async function planOf(db: Queryable, classId: string) {
  return db.select().from(planEntries).where(eq(planEntries.classId, classId)).orderBy(asc(planEntries.place));
}

export async function plansOf(db: Queryable, classIds: readonly string[]) {
  return db.select().from(planEntries).where(among(planEntries.classId, classIds)).orderBy(asc(planEntries.place));
}
