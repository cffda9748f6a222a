import "server-only";
import { eq, lt } from "drizzle-orm";
import type { Queryable } from "../connection";
import { rosterDrafts } from "../schema/history";

export type RosterDraftRow = typeof rosterDrafts.$inferSelect;

export async function insertDraft(tx: Queryable, row: typeof rosterDrafts.$inferInsert): Promise<void> {
  await tx.insert(rosterDrafts).values(row);
}
export async function draftById(db: Queryable, id: string): Promise<RosterDraftRow | null> {
  const [draft] = await db.select().from(rosterDrafts).where(eq(rosterDrafts.id, id));
  return draft ?? null;
}
export async function updateDraft(tx: Queryable, id: string, values: Partial<RosterDraftRow>): Promise<void> {
  await tx.update(rosterDrafts).set(values).where(eq(rosterDrafts.id, id));
}

/** Roster files hold names and addresses: they are kept no longer than somebody may still want to undo and apply them again. */
export async function deleteDraftsBefore(tx: Queryable, createdAt: number): Promise<void> {
  await tx.delete(rosterDrafts).where(lt(rosterDrafts.createdAt, createdAt));
}
export async function deleteDraftsOfSchool(tx: Queryable, schoolId: string): Promise<void> {
  await tx.delete(rosterDrafts).where(eq(rosterDrafts.schoolId, schoolId));
}
