import "server-only";
import { and, desc, eq, inArray, isNull } from "drizzle-orm";
import type { Queryable } from "../queryable";
import { people } from "../schema/people";
import { erasures, interests, supports } from "../schema/students";

export async function supportsOf(db: Queryable, personIds: readonly string[]) {
  if (personIds.length === 0) return [];
  return db
    .select()
    .from(supports)
    .where(inArray(supports.personId, [...personIds]));
}

export async function interestsOf(db: Queryable, personId: string) {
  return db.select().from(interests).where(eq(interests.personId, personId));
}

export type ErasureRow = typeof erasures.$inferSelect;

export async function insertErasure(tx: Queryable, row: typeof erasures.$inferInsert): Promise<void> {
  await tx.insert(erasures).values(row);
}
export async function erasureById(db: Queryable, id: string): Promise<ErasureRow | null> {
  const [row] = await db.select().from(erasures).where(eq(erasures.id, id));
  return row ?? null;
}
export async function decideErasure(
  tx: Queryable,
  id: string,
  values: Pick<ErasureRow, "decidedBy" | "decidedAt" | "outcome">,
): Promise<void> {
  await tx.update(erasures).set(values).where(eq(erasures.id, id));
}
/** Requests nobody has decided on, the latest first. */
export async function openErasures(db: Queryable, schoolIds: readonly string[]) {
  return db
    .select({ erasure: erasures, person: people })
    .from(erasures)
    .innerJoin(people, eq(people.id, erasures.personId))
    .where(and(inArray(erasures.schoolId, [...schoolIds]), isNull(erasures.decidedAt)))
    .orderBy(desc(erasures.requestedAt));
}
