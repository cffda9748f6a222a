import "server-only";
import { and, asc, eq, isNull } from "drizzle-orm";
import type { Queryable } from "../queryable";
import { planEntries, planSlots, plans } from "../schema/plan";
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

export type PlanRow = typeof plans.$inferSelect;
export type PlanSlotRow = typeof planSlots.$inferSelect;

/** A class's own plan; null while it has none but its entries. */
export async function planOfClass(db: Queryable, classId: string): Promise<PlanRow | null> {
  const [found] = await db
    .select()
    .from(plans)
    .where(and(eq(plans.classId, classId), isNull(plans.archivedAt)));
  return found ?? null;
}

/** The slots of a plan in their order. */
export async function slotsOfPlan(db: Queryable, planId: string): Promise<PlanSlotRow[]> {
  return db.select().from(planSlots).where(eq(planSlots.planId, planId)).orderBy(asc(planSlots.place));
}
