import "server-only";
import { and, asc, eq, gte } from "drizzle-orm";
import type { Queryable } from "../queryable";
import { itemVersions } from "../schema/items";
import { placements, sittingItems, sittings } from "../schema/sittings";
import { assignmentTargets } from "../schema/work";
import { among } from "./people";

/** Where diagnostics placed some students, the oldest first. */
export async function placementsOf(db: Queryable, personIds: readonly string[]) {
  if (personIds.length === 0) return [];
  return db.select().from(placements).where(among(placements.personId, personIds)).orderBy(asc(placements.placedAt));
}

/** Keeps where a diagnostic left its student; kept already, it stays as it is. */
export async function keepPlacements(tx: Queryable, rows: readonly (typeof placements.$inferInsert)[]): Promise<void> {
  if (rows.length > 0)
    await tx
      .insert(placements)
      .values([...rows])
      .onConflictDoNothing();
}

/** Draws that a student was shown in runs that went on since an instant, with the last moment of each run. */
export async function drawsMet(db: Queryable, personId: string, since: number) {
  return db
    .select({ itemId: itemVersions.itemId, seed: sittingItems.seed, lastAt: sittings.lastAt })
    .from(assignmentTargets)
    .innerJoin(sittings, eq(sittings.targetId, assignmentTargets.id))
    .innerJoin(sittingItems, eq(sittingItems.sittingId, sittings.id))
    .innerJoin(itemVersions, eq(itemVersions.id, sittingItems.versionId))
    .where(and(eq(assignmentTargets.personId, personId), gte(sittings.lastAt, since)));
}
