import "server-only";
import { and, eq } from "drizzle-orm";
import type { Queryable } from "../queryable";
import { unfinishedChanges } from "../schema/history";

export type UnfinishedChange = typeof unfinishedChanges.$inferSelect;

export async function insertUnfinished(tx: Queryable, row: UnfinishedChange): Promise<void> {
  await tx.insert(unfinishedChanges).values(row);
}

/** Notes how far a change is; false when somebody else has moved it from where it was believed to be. */
export async function moveUnfinished(
  tx: Queryable,
  changeId: string,
  from: number,
  to: Pick<UnfinishedChange, "pieces" | "at">,
): Promise<boolean> {
  const moved = await tx
    .update(unfinishedChanges)
    .set(to)
    .where(and(eq(unfinishedChanges.changeId, changeId), eq(unfinishedChanges.pieces, from)))
    .returning({ changeId: unfinishedChanges.changeId });
  return moved.length > 0;
}

/** Says that a change is over; false when somebody else has said so. */
export async function deleteUnfinished(tx: Queryable, changeId: string): Promise<boolean> {
  const ended = await tx
    .delete(unfinishedChanges)
    .where(eq(unfinishedChanges.changeId, changeId))
    .returning({ changeId: unfinishedChanges.changeId });
  return ended.length > 0;
}

/** The change that is under way at a school; null when there is none. */
export async function unfinishedAt(db: Queryable, schoolId: string): Promise<UnfinishedChange | null> {
  const [row] = await db.select().from(unfinishedChanges).where(eq(unfinishedChanges.schoolId, schoolId)).limit(1);
  return row ?? null;
}

export async function allUnfinished(db: Queryable): Promise<UnfinishedChange[]> {
  return db.select().from(unfinishedChanges);
}

/** Takes a change up that nobody went on with since an instant; false when somebody else has. */
export async function takeUp(tx: Queryable, { changeId, at }: UnfinishedChange, now: number): Promise<boolean> {
  const taken = await tx
    .update(unfinishedChanges)
    .set({ at: now })
    .where(and(eq(unfinishedChanges.changeId, changeId), eq(unfinishedChanges.at, at)))
    .returning({ changeId: unfinishedChanges.changeId });
  return taken.length > 0;
}
