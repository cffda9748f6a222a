import "server-only";
import { and, asc, desc, eq, inArray, sql } from "drizzle-orm";
import type { Queryable } from "../connection";
import { answers, misconceptionSigns, presentations, sittings, skillDays, skillStates } from "../schema/delivery";
import { works } from "../schema/work";

export type SittingRow = typeof sittings.$inferSelect;
export type PresentationRow = typeof presentations.$inferSelect;
export type AnswerRow = typeof answers.$inferSelect;
export type SkillStateRow = typeof skillStates.$inferSelect;

export async function sittingById(db: Queryable, id: string) {
  const [row] = await db
    .select({ sitting: sittings, work: works })
    .from(sittings)
    .innerJoin(works, eq(works.id, sittings.workId))
    .where(eq(sittings.id, id));
  return row ?? null;
}

export async function sittingOf(db: Queryable, workId: string, personId: string): Promise<SittingRow | null> {
  const [row] = await db.select().from(sittings).where(and(eq(sittings.workId, workId), eq(sittings.personId, personId)));
  return row ?? null;
}

export async function insertSitting(tx: Queryable, row: typeof sittings.$inferInsert): Promise<void> {
  await tx.insert(sittings).values(row);
}

export async function updateSitting(tx: Queryable, id: string, values: Partial<SittingRow>): Promise<void> {
  await tx.update(sittings).set(values).where(eq(sittings.id, id));
}

export async function presentationsOf(db: Queryable, sittingId: string): Promise<PresentationRow[]> {
  return db.select().from(presentations).where(eq(presentations.sittingId, sittingId)).orderBy(asc(presentations.place));
}

export async function insertPresentations(tx: Queryable, rows: (typeof presentations.$inferInsert)[]): Promise<void> {
  if (rows.length > 0) await tx.insert(presentations).values(rows);
}

export async function updatePresentation(tx: Queryable, id: string, values: Partial<PresentationRow>): Promise<void> {
  await tx.update(presentations).set(values).where(eq(presentations.id, id));
}

export async function answerByKey(db: Queryable, key: string): Promise<AnswerRow | null> {
  const [row] = await db.select().from(answers).where(eq(answers.key, key));
  return row ?? null;
}

export async function insertAnswer(tx: Queryable, row: typeof answers.$inferInsert): Promise<void> {
  await tx.insert(answers).values(row);
}

export async function answersOfSitting(db: Queryable, sittingId: string): Promise<AnswerRow[]> {
  return db.select().from(answers).where(eq(answers.sittingId, sittingId)).orderBy(asc(answers.serial));
}

/** The answers behind one cell of the mastery map, newest first. */
export async function answersBehindCell(db: Queryable, personId: string, skillId: string, limit: number): Promise<AnswerRow[]> {
  return db
    .select()
    .from(answers)
    .where(and(eq(answers.personId, personId), eq(answers.skillId, skillId)))
    .orderBy(desc(answers.serial))
    .limit(limit);
}

/** A slice of the whole log in the order of writing, for the rebuild. */
export async function answersAfter(db: Queryable, serial: number, limit: number): Promise<AnswerRow[]> {
  return db.select().from(answers).where(sql`${answers.serial} > ${serial}`).orderBy(asc(answers.serial)).limit(limit);
}

export async function skillStatesOf(db: Queryable, personIds: readonly string[]): Promise<SkillStateRow[]> {
  if (personIds.length === 0) return [];
  return db.select().from(skillStates).where(inArray(skillStates.personId, [...personIds]));
}

export async function allSkillStates(db: Queryable): Promise<SkillStateRow[]> {
  return db.select().from(skillStates).orderBy(asc(skillStates.personId), asc(skillStates.skillId));
}

export async function saveSkillState(tx: Queryable, row: SkillStateRow): Promise<void> {
  const { personId, skillId, ...values } = row;
  await tx
    .insert(skillStates)
    .values({ personId, skillId, ...values })
    .onConflictDoUpdate({ target: [skillStates.personId, skillStates.skillId], set: values });
}

export async function addToSkillDay(
  tx: Queryable,
  row: { personId: string; skillId: string; day: number; answered: number; right: number; milliseconds: number },
): Promise<void> {
  await tx
    .insert(skillDays)
    .values(row)
    .onConflictDoUpdate({
      target: [skillDays.personId, skillDays.skillId, skillDays.day],
      set: {
        answered: sql`${skillDays.answered} + ${row.answered}`,
        right: sql`${skillDays.right} + ${row.right}`,
        milliseconds: sql`${skillDays.milliseconds} + ${row.milliseconds}`,
      },
    });
}

export async function skillDaysOf(db: Queryable, personIds: readonly string[], fromDay: number) {
  if (personIds.length === 0) return [];
  return db
    .select()
    .from(skillDays)
    .where(and(inArray(skillDays.personId, [...personIds]), sql`${skillDays.day} >= ${fromDay}`));
}

export async function allSkillDays(db: Queryable) {
  return db.select().from(skillDays).orderBy(asc(skillDays.personId), asc(skillDays.skillId), asc(skillDays.day));
}

export async function addMisconceptionSign(
  tx: Queryable,
  row: { personId: string; skillId: string; misconceptionId: string; day: number },
): Promise<void> {
  await tx
    .insert(misconceptionSigns)
    .values({ personId: row.personId, skillId: row.skillId, misconceptionId: row.misconceptionId, times: 1, lastDay: row.day })
    .onConflictDoUpdate({
      target: [misconceptionSigns.personId, misconceptionSigns.skillId, misconceptionSigns.misconceptionId],
      set: { times: sql`${misconceptionSigns.times} + 1`, lastDay: sql`max(${misconceptionSigns.lastDay}, ${row.day})` },
    });
}

export async function misconceptionSignsOf(db: Queryable, personIds: readonly string[]) {
  if (personIds.length === 0) return [];
  return db.select().from(misconceptionSigns).where(inArray(misconceptionSigns.personId, [...personIds]));
}

export async function allMisconceptionSigns(db: Queryable) {
  return db
    .select()
    .from(misconceptionSigns)
    .orderBy(asc(misconceptionSigns.personId), asc(misconceptionSigns.skillId), asc(misconceptionSigns.misconceptionId));
}

/** Empties the summaries, which the rebuild then fills from the log. */
export async function clearSummaries(tx: Queryable): Promise<void> {
  await tx.delete(skillStates);
  await tx.delete(skillDays);
  await tx.delete(misconceptionSigns);
}
