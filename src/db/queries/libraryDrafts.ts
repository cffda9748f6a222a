import "server-only";
import { and, desc, eq, getTableColumns, isNull, lt } from "drizzle-orm";
import type { Queryable } from "../queryable";
import { libraryDrafts } from "../schema/exchange";

/** A draft without its file: only who reads the file fetches it. */
export type LibraryDraftRow = Omit<typeof libraryDrafts.$inferSelect, "bytes">;

export async function insertLibraryDraft(tx: Queryable, row: typeof libraryDrafts.$inferInsert): Promise<void> {
  await tx.insert(libraryDrafts).values(row);
}

export async function libraryDraftById(db: Queryable, id: string): Promise<LibraryDraftRow | null> {
  const { bytes: _, ...columns } = getTableColumns(libraryDrafts);
  const [draft] = await db.select(columns).from(libraryDrafts).where(eq(libraryDrafts.id, id));
  return draft ?? null;
}

export async function bytesOfLibraryDraft(db: Queryable, id: string): Promise<Uint8Array> {
  const [draft] = await db.select({ bytes: libraryDrafts.bytes }).from(libraryDrafts).where(eq(libraryDrafts.id, id));
  return new Uint8Array(draft?.bytes ?? []);
}

export async function updateLibraryDraft(
  tx: Queryable,
  id: string,
  values: Partial<Omit<LibraryDraftRow, "id">>,
): Promise<void> {
  await tx.update(libraryDrafts).set(values).where(eq(libraryDrafts.id, id));
}

/** Forgets files that nobody wants any more: old ones, and of each person all but the latest that wait. */
export async function forgetLibraryDrafts(
  tx: Queryable,
  { ownerId, before, mostWaiting }: { readonly ownerId: string; readonly before: number; readonly mostWaiting: number },
): Promise<void> {
  await tx.delete(libraryDrafts).where(lt(libraryDrafts.createdAt, before));
  const waiting = await tx
    .select({ id: libraryDrafts.id })
    .from(libraryDrafts)
    .where(and(eq(libraryDrafts.ownerId, ownerId), isNull(libraryDrafts.appliedAt)))
    .orderBy(desc(libraryDrafts.createdAt), desc(libraryDrafts.id));
  for (const { id } of waiting.slice(mostWaiting)) await tx.delete(libraryDrafts).where(eq(libraryDrafts.id, id));
}
