import "server-only";
import { and, asc, eq, getTableColumns, inArray, isNotNull, isNull, lt, sql } from "drizzle-orm";
import type { Queryable } from "../queryable";
import { itemVersions } from "../schema/items";
import { sittingItems, sittings } from "../schema/sittings";
import { assignments, assignmentTargets } from "../schema/work";
import { among } from "./people";
import type { TargetRow } from "./work";

export type SittingRow = typeof sittings.$inferSelect;
/** An item of a sitting with the item that it is a version of. */
export type SittingItemRow = typeof sittingItems.$inferSelect & { readonly itemId: string };

/** A sitting with whose it is and what it is a run at. */
export interface SittingOwner {
  readonly sitting: SittingRow;
  readonly personId: string;
  readonly assignmentId: string;
  readonly target: TargetRow;
}

const owned = (db: Queryable) =>
  db
    .select({
      sitting: getTableColumns(sittings),
      personId: assignmentTargets.personId,
      assignmentId: assignmentTargets.assignmentId,
      target: getTableColumns(assignmentTargets),
    })
    .from(sittings)
    .innerJoin(assignmentTargets, eq(assignmentTargets.id, sittings.targetId));

export async function sittingById(db: Queryable, id: string): Promise<SittingOwner | null> {
  const [found] = await owned(db).where(eq(sittings.id, id));
  return found ?? null;
}

/** Sittings whose time is over and that nobody handed in, a few at a time; what a teacher holds up waits. */
export async function overdueSittings(db: Queryable, now: number, most: number): Promise<SittingOwner[]> {
  return owned(db)
    .innerJoin(assignments, eq(assignments.id, assignmentTargets.assignmentId))
    .where(
      and(
        isNotNull(sittings.endsAt),
        isNull(sittings.finishedAt),
        lt(sittings.endsAt, now),
        isNull(assignments.pausedAt),
      ),
    )
    .orderBy(asc(sittings.endsAt))
    .limit(most);
}

/** The items of a sitting in the order of showing. */
export const itemsOfSitting = (db: Queryable, sittingId: string): Promise<SittingItemRow[]> =>
  itemsOfSittings(db, [sittingId]);

/** The items of some sittings, each in the order of showing. */
export async function itemsOfSittings(db: Queryable, sittingIds: readonly string[]): Promise<SittingItemRow[]> {
  if (sittingIds.length === 0) return [];
  return db
    .select({ ...getTableColumns(sittingItems), itemId: itemVersions.itemId })
    .from(sittingItems)
    .innerJoin(itemVersions, eq(itemVersions.id, sittingItems.versionId))
    .where(
      sittingIds.length === 1
        ? eq(sittingItems.sittingId, sittingIds[0] ?? "")
        : among(sittingItems.sittingId, sittingIds),
    )
    .orderBy(asc(sittingItems.sittingId), asc(sittingItems.place));
}

export async function insertSitting(
  tx: Queryable,
  sitting: SittingRow,
  items: readonly (typeof sittingItems.$inferInsert)[],
): Promise<void> {
  await tx.insert(sittings).values(sitting);
  if (items.length > 0) await tx.insert(sittingItems).values([...items]);
}

/** When a sitting is handed in by itself; its version moves on, so that whoever has it in memory reads it anew. */
export async function keepEnd(tx: Queryable, sittingId: string, endsAt: number | null): Promise<void> {
  await tx
    .update(sittings)
    .set({ endsAt, version: sql`${sittings.version} + 1` })
    .where(eq(sittings.id, sittingId));
}

/** What a sitting's conductor remembers now. */
export async function keepState(tx: Queryable, sittingId: string, state: SittingRow["state"]): Promise<void> {
  await tx.update(sittings).set({ state }).where(eq(sittings.id, sittingId));
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
