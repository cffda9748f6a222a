import "server-only";
import { and, asc, desc, eq, gte, isNull, lte } from "drizzle-orm";
import type { Queryable } from "../queryable";
import { assignments, series } from "../schema/work";
import { among } from "./people";

export type SeriesRow = typeof series.$inferSelect;

export async function seriesById(db: Queryable, id: string): Promise<SeriesRow | null> {
  const [found] = await db.select().from(series).where(eq(series.id, id));
  return found ?? null;
}

/** Series of some classes, the latest first. */
export async function seriesOfClasses(db: Queryable, classIds: readonly string[]): Promise<SeriesRow[]> {
  if (classIds.length === 0) return [];
  return db.select().from(series).where(among(series.classId, classIds)).orderBy(desc(series.createdAt));
}

/** Series that may still give something around a day. */
export async function runningSeries(db: Queryable, fromDay: string, toDay: string): Promise<SeriesRow[]> {
  return db
    .select()
    .from(series)
    .where(and(isNull(series.endedAt), lte(series.fromDay, toDay), gte(series.toDay, fromDay)));
}

/** What a series has given, withdrawn pieces too: a day's piece is given once. */
export async function piecesOfSeries(db: Queryable, seriesId: string) {
  return db
    .select({ id: assignments.id, day: assignments.seriesDay, withdrawnAt: assignments.withdrawnAt })
    .from(assignments)
    .where(eq(assignments.seriesId, seriesId))
    .orderBy(asc(assignments.seriesDay));
}
