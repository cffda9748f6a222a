import "server-only";
import { and, asc, eq, isNull, notInArray } from "drizzle-orm";
import type { Queryable } from "../queryable";
import { unitSkills, units } from "../schema/units";

/** All units in teaching order, without what they tell. */
export async function allUnits(db: Queryable) {
  const [rows, ties] = await Promise.all([
    db
      .select({
        id: units.id,
        subjectId: units.subjectId,
        grade: units.grade,
        name: units.name,
        weeks: units.weeks,
      })
      .from(units)
      .where(isNull(units.retiredAt))
      .orderBy(asc(units.subjectId), asc(units.place)),
    db.select().from(unitSkills).orderBy(asc(unitSkills.place)),
  ]);
  return rows.map((row) => ({
    ...row,
    skillIds: ties.flatMap(({ unitId, skillId }) => (unitId === row.id ? [skillId] : [])),
  }));
}

/** A unit with what it tells; null when it is not there. */
export async function unitById(db: Queryable, id: string) {
  const [[unit], ties] = await Promise.all([
    db
      .select()
      .from(units)
      .where(and(eq(units.id, id), isNull(units.retiredAt))),
    db.select().from(unitSkills).where(eq(unitSkills.unitId, id)).orderBy(asc(unitSkills.place)),
  ]);
  return unit ? { ...unit, skillIds: ties.map(({ skillId }) => skillId) } : null;
}

/** Puts the units of a subject in or brings them up to date; those that ship no more are retired. */
export async function putUnits(
  tx: Queryable,
  subjectId: string,
  shipped: readonly (Omit<typeof units.$inferInsert, "subjectId" | "place"> & { readonly skills: readonly string[] })[],
  now: number,
): Promise<void> {
  for (const [place, { skills, ...unit }] of shipped.entries()) {
    const row = { ...unit, subjectId, place, retiredAt: null };
    await tx.insert(units).values(row).onConflictDoUpdate({ target: units.id, set: row });
    await tx.delete(unitSkills).where(eq(unitSkills.unitId, unit.id));
    await tx.insert(unitSkills).values(skills.map((skillId, at) => ({ unitId: unit.id, skillId, place: at })));
  }
  await tx
    .update(units)
    .set({ retiredAt: now })
    .where(
      and(
        eq(units.subjectId, subjectId),
        isNull(units.retiredAt),
        notInArray(
          units.id,
          shipped.map(({ id }) => id),
        ),
      ),
    );
}
