import "server-only";
import { eq, getTableColumns, inArray } from "drizzle-orm";
import type { Queryable } from "../queryable";
import { sittingItems, sittings, standingAnswers, uncountedAnswers } from "../schema/sittings";
import { assignmentTargets } from "../schema/work";

export type StandingAnswerRow = typeof standingAnswers.$inferSelect;

/** The answers that stand in a sitting that is not handed in yet. */
export async function standingOfSitting(db: Queryable, sittingId: string): Promise<StandingAnswerRow[]> {
  return db
    .select(getTableColumns(standingAnswers))
    .from(standingAnswers)
    .innerJoin(sittingItems, eq(sittingItems.id, standingAnswers.sittingItemId))
    .where(eq(sittingItems.sittingId, sittingId));
}

/** What stands of one student in whatever is not handed in yet. */
export async function standingOfPerson(db: Queryable, personId: string): Promise<StandingAnswerRow[]> {
  return db
    .select(getTableColumns(standingAnswers))
    .from(standingAnswers)
    .innerJoin(sittingItems, eq(sittingItems.id, standingAnswers.sittingItemId))
    .innerJoin(sittings, eq(sittings.id, sittingItems.sittingId))
    .innerJoin(assignmentTargets, eq(assignmentTargets.id, sittings.targetId))
    .where(eq(assignmentTargets.personId, personId));
}

/** Puts an answer in the place of the one that stood. */
export async function keepStanding(tx: Queryable, row: StandingAnswerRow): Promise<void> {
  const { sittingItemId: _, ...values } = row;
  await tx
    .insert(standingAnswers)
    .values(row)
    .onConflictDoUpdate({ target: standingAnswers.sittingItemId, set: values });
}

/** Once a sitting is handed in, what stood in it is in the log of answers. */
export async function dropStanding(tx: Queryable, sittingId: string): Promise<void> {
  const own = tx.select({ id: sittingItems.id }).from(sittingItems).where(eq(sittingItems.sittingId, sittingId));
  await tx.delete(standingAnswers).where(inArray(standingAnswers.sittingItemId, own));
}

/** Whether something with this key was taken before, whatever became of it since. */
export async function isKeptKey(db: Queryable, key: string): Promise<boolean> {
  const [stands] = await db
    .select({ id: standingAnswers.sittingItemId })
    .from(standingAnswers)
    .where(eq(standingAnswers.key, key));
  if (stands) return true;
  const [aside] = await db
    .select({ key: uncountedAnswers.key })
    .from(uncountedAnswers)
    .where(eq(uncountedAnswers.key, key));
  return aside !== undefined;
}
