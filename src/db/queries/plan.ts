import "server-only";
import { and, asc, eq, isNotNull, isNull, sql } from "drizzle-orm";
import type { Queryable } from "../queryable";
import { planEntries, planSlots, planStarts, plans, planWorks } from "../schema/plan";
import { sittings } from "../schema/sittings";
import { assignments, assignmentTargets } from "../schema/work";
import { among } from "./people";
import { latestSitting } from "./work";

export async function planOf(db: Queryable, classId: string) {
  return db.select().from(planEntries).where(eq(planEntries.classId, classId)).orderBy(asc(planEntries.place));
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

/** The classes among some whose plan runs by itself. */
export async function classesWithRunningPlan(db: Queryable, classIds: readonly string[]): Promise<string[]> {
  if (classIds.length === 0) return [];
  const rows = await db
    .select({ classId: plans.classId })
    .from(plans)
    .where(and(among(plans.classId, classIds), isNotNull(plans.runById), isNull(plans.archivedAt)));
  return rows.flatMap(({ classId }) => classId ?? []);
}

export type PlanStartRow = typeof planStarts.$inferSelect;

/** Where students begin a plan; of those without a row, at its beginning. */
export async function startsOfPlan(db: Queryable, planId: string): Promise<PlanStartRow[]> {
  return db.select().from(planStarts).where(eq(planStarts.planId, planId));
}

/** The assignment by which a plan gives a skill; null before anybody came to it. */
export async function planWorkOf(db: Queryable, planId: string, skillId: string) {
  const [found] = await db
    .select()
    .from(planWorks)
    .where(and(eq(planWorks.planId, planId), eq(planWorks.skillId, skillId)));
  return found ?? null;
}

export async function insertPlanWork(tx: Queryable, row: typeof planWorks.$inferInsert): Promise<void> {
  await tx.insert(planWorks).values(row);
}

export type PlanRun = Awaited<ReturnType<typeof runsOfPlan>>[number];

/** The latest run of each student at each skill that a plan gave, for all students or for one. */
export async function runsOfPlan(db: Queryable, planId: string, personId?: string) {
  return db
    .select({
      personId: assignmentTargets.personId,
      skillId: planWorks.skillId,
      assignmentId: planWorks.assignmentId,
      finishedAt: sittings.finishedAt,
      finishReason: sittings.finishReason,
      progressPermille: sittings.progressPermille,
      lastAt: sittings.lastAt,
    })
    .from(planWorks)
    .innerJoin(assignmentTargets, eq(assignmentTargets.assignmentId, planWorks.assignmentId))
    .innerJoin(sittings, latestSitting)
    .where(
      and(eq(planWorks.planId, planId), personId === undefined ? undefined : eq(assignmentTargets.personId, personId)),
    );
}

/** Pieces of work of a class that each student finished since an instant, whoever gave them. */
export async function piecesFinishedSince(db: Queryable, classId: string, since: number) {
  const rows = await db
    .select({ personId: assignmentTargets.personId, pieces: sql<number>`count(*)` })
    .from(assignments)
    .innerJoin(assignmentTargets, eq(assignmentTargets.assignmentId, assignments.id))
    .innerJoin(sittings, eq(sittings.targetId, assignmentTargets.id))
    .where(and(eq(assignments.classId, classId), sql`${sittings.finishedAt} >= ${since}`))
    .groupBy(assignmentTargets.personId);
  return new Map(rows.map(({ personId, pieces }) => [personId, pieces]));
}
