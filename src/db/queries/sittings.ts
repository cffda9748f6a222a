import "server-only";
import { and, asc, desc, eq, getTableColumns, inArray, isNull, sql } from "drizzle-orm";
import type { Queryable } from "../queryable";
import { itemVersions } from "../schema/items";
import { sittingItems, sittings } from "../schema/sittings";
import { assignmentTargets } from "../schema/work";

export type SittingRow = typeof sittings.$inferSelect;
/** An item of a sitting with the item that it is a version of. */
export type SittingItemRow = typeof sittingItems.$inferSelect & { readonly itemId: string };

/** A sitting with whose it is and what it is a run at. */
export interface SittingOwner {
  readonly sitting: SittingRow;
  readonly personId: string;
  readonly assignmentId: string;
  readonly extraItems: number;
}

const owned = (db: Queryable) =>
  db
    .select({
      sitting: getTableColumns(sittings),
      personId: assignmentTargets.personId,
      assignmentId: assignmentTargets.assignmentId,
      extraItems: assignmentTargets.extraItems,
    })
    .from(sittings)
    .innerJoin(assignmentTargets, eq(assignmentTargets.id, sittings.targetId));

export async function sittingById(db: Queryable, id: string): Promise<SittingOwner | null> {
  const [found] = await owned(db).where(eq(sittings.id, id));
  return found ?? null;
}

/** A target's latest sitting; null before the first. */
export async function latestSittingOf(db: Queryable, targetId: string): Promise<SittingOwner | null> {
  const [found] = await owned(db).where(eq(sittings.targetId, targetId)).orderBy(desc(sittings.attempt)).limit(1);
  return found ?? null;
}

/** The items of a sitting in the order of showing. */
export async function itemsOfSitting(db: Queryable, sittingId: string): Promise<SittingItemRow[]> {
  return db
    .select({ ...getTableColumns(sittingItems), itemId: itemVersions.itemId })
    .from(sittingItems)
    .innerJoin(itemVersions, eq(itemVersions.id, sittingItems.versionId))
    .where(eq(sittingItems.sittingId, sittingId))
    .orderBy(asc(sittingItems.place));
}

export async function insertSitting(
  tx: Queryable,
  sitting: SittingRow,
  items: readonly (typeof sittingItems.$inferInsert)[],
): Promise<void> {
  await tx.insert(sittings).values(sitting);
  if (items.length > 0) await tx.insert(sittingItems).values([...items]);
}

/** Moves the versions of a student's open sittings on: whoever has one in memory has to read it anew. */
export async function renewSittingsOf(tx: Queryable, personId: string): Promise<void> {
  const own = tx
    .select({ id: assignmentTargets.id })
    .from(assignmentTargets)
    .where(eq(assignmentTargets.personId, personId));
  await tx
    .update(sittings)
    .set({ version: sql`${sittings.version} + 1` })
    .where(and(inArray(sittings.targetId, own), isNull(sittings.finishedAt)));
}

/** Notes how many hints of an item that is open the server has handed out; false when it is open no more. */
export async function noteHints(tx: Queryable, sittingId: string, itemId: string, hints: number): Promise<boolean> {
  await tx
    .update(sittings)
    .set({ version: sql`${sittings.version} + 1` })
    .where(eq(sittings.id, sittingId));
  const noted = await tx
    .update(sittingItems)
    .set({ hints: sql`max(${sittingItems.hints}, ${hints})` })
    .where(and(eq(sittingItems.id, itemId), eq(sittingItems.state, "open")))
    .returning({ id: sittingItems.id });
  return noted.length > 0;
}
