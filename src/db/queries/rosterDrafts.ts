import "server-only";
import { and, desc, eq, getTableColumns, isNull, lt, sql } from "drizzle-orm";
import type { Queryable } from "../queryable";
import { rosterDrafts } from "../schema/history";

/** A draft without its file, which may be as large as a district's roster: only who reads the file fetches it. */
export type RosterDraftRow = Omit<typeof rosterDrafts.$inferSelect, "bytes">;

export async function insertDraft(tx: Queryable, row: typeof rosterDrafts.$inferInsert): Promise<void> {
  await tx.insert(rosterDrafts).values(row);
}
export async function draftById(db: Queryable, id: string): Promise<RosterDraftRow | null> {
  const { bytes: _, ...columns } = getTableColumns(rosterDrafts);
  const [draft] = await db.select(columns).from(rosterDrafts).where(eq(rosterDrafts.id, id));
  return draft ?? null;
}
export async function bytesOfDraft(db: Queryable, id: string): Promise<Uint8Array> {
  const [draft] = await db.select({ bytes: rosterDrafts.bytes }).from(rosterDrafts).where(eq(rosterDrafts.id, id));
  return new Uint8Array(draft?.bytes ?? []);
}
export async function updateDraft(tx: Queryable, id: string, values: Partial<RosterDraftRow>): Promise<void> {
  await tx.update(rosterDrafts).set(values).where(eq(rosterDrafts.id, id));
}

/** Roster files hold names and addresses: they are kept no longer than somebody may still want to undo and apply them again. */
export async function deleteDraftsBefore(tx: Queryable, createdAt: number): Promise<void> {
  await tx.delete(rosterDrafts).where(lt(rosterDrafts.createdAt, createdAt));
}
/** Files that were not applied wait for some days, and of each person only the latest few. */
export async function deleteWaitingDrafts(
  tx: Queryable,
  of: { readonly ownerId: string; readonly before: number; readonly mostKept: number; readonly mostBytes: number },
): Promise<void> {
  await tx.delete(rosterDrafts).where(and(isNull(rosterDrafts.appliedAt), lt(rosterDrafts.createdAt, of.before)));
  const own = await tx
    .select({ id: rosterDrafts.id, bytes: sql<number>`length(${rosterDrafts.bytes})` })
    .from(rosterDrafts)
    .where(and(eq(rosterDrafts.ownerId, of.ownerId), isNull(rosterDrafts.appliedAt)))
    .orderBy(desc(rosterDrafts.createdAt), desc(rosterDrafts.id));
  let bytes = 0;
  const old = own.filter((draft, place) => {
    bytes += draft.bytes;
    return place >= of.mostKept || bytes > of.mostBytes;
  });
  for (const { id } of old) await tx.delete(rosterDrafts).where(eq(rosterDrafts.id, id));
}

export async function deleteDraftsOfSchool(tx: Queryable, schoolId: string): Promise<void> {
  await tx.delete(rosterDrafts).where(eq(rosterDrafts.schoolId, schoolId));
}
