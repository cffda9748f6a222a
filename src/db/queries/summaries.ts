import "server-only";
import { and, asc, eq, inArray, sql } from "drizzle-orm";
import { union } from "drizzle-orm/sqlite-core";
import { prepared } from "../prepared";
import type { Queryable } from "../queryable";
import { answers, misconceptionSigns, skillDays, skillStates } from "../schema/delivery";

export type SkillStateRow = typeof skillStates.$inferSelect;

const value = sql.placeholder;

const statesOfPerson = prepared((db) =>
  db
    .select()
    .from(skillStates)
    .where(
      and(
        eq(skillStates.personId, value("personId")),
        sql`${skillStates.skillId} in (select value from json_each(${value("skillIds")}))`,
      ),
    )
    .prepare(),
);
/** One student's summaries of some skills. */
export async function skillStatesOfPerson(
  db: Queryable,
  personId: string,
  skillIds: readonly string[],
): Promise<SkillStateRow[]> {
  return statesOfPerson(db).all({ personId, skillIds: JSON.stringify(skillIds) });
}

export async function skillStatesOf(db: Queryable, personIds: readonly string[]): Promise<SkillStateRow[]> {
  if (personIds.length === 0) return [];
  return db
    .select()
    .from(skillStates)
    .where(inArray(skillStates.personId, [...personIds]));
}

export async function allSkillStates(db: Queryable): Promise<SkillStateRow[]> {
  return db.select().from(skillStates).orderBy(asc(skillStates.personId), asc(skillStates.skillId));
}

const stateSave = prepared((db) => {
  const columns = {
    mastery: value("mastery"),
    learning: value("learning"),
    prior: value("prior"),
    scoredAnswers: value("scoredAnswers"),
    rightFirstTries: value("rightFirstTries"),
    modelIds: value("modelIds"),
    firstDay: value("firstDay"),
    lastDay: value("lastDay"),
    stabilityDays: value("stabilityDays"),
    memoryDifficulty: value("memoryDifficulty"),
    masteredDay: value("masteredDay"),
    missesInRow: value("missesInRow"),
    snagDay: value("snagDay"),
    snagClearedDay: value("snagClearedDay"),
  };
  const again = Object.fromEntries(Object.entries(columns).map(([name, placeholder]) => [name, sql`${placeholder}`]));
  return db
    .insert(skillStates)
    .values({ personId: value("personId"), skillId: value("skillId"), ...columns })
    .onConflictDoUpdate({
      target: [skillStates.personId, skillStates.skillId],
      set: { ...again, modelIds: sql`excluded.model_ids` },
    })
    .prepare();
});
export async function saveSkillState(tx: Queryable, row: SkillStateRow): Promise<void> {
  await stateSave(tx).run({ ...row });
}

const skillDayAdd = prepared((db) =>
  db
    .insert(skillDays)
    .values({
      personId: value("personId"),
      skillId: value("skillId"),
      day: value("day"),
      answered: value("answered"),
      right: value("right"),
      milliseconds: value("milliseconds"),
    })
    .onConflictDoUpdate({
      target: [skillDays.personId, skillDays.skillId, skillDays.day],
      set: {
        answered: sql`${skillDays.answered} + excluded.answered`,
        right: sql`${skillDays.right} + excluded.right`,
        milliseconds: sql`${skillDays.milliseconds} + excluded.milliseconds`,
      },
    })
    .prepare(),
);
export async function addToSkillDay(
  tx: Queryable,
  row: { personId: string; skillId: string; day: number; answered: number; right: number; milliseconds: number },
): Promise<void> {
  await skillDayAdd(tx).run(row);
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
    .values({
      personId: row.personId,
      skillId: row.skillId,
      misconceptionId: row.misconceptionId,
      times: 1,
      lastDay: row.day,
    })
    .onConflictDoUpdate({
      target: [misconceptionSigns.personId, misconceptionSigns.skillId, misconceptionSigns.misconceptionId],
      set: {
        times: sql`${misconceptionSigns.times} + 1`,
        lastDay: sql`max(${misconceptionSigns.lastDay}, ${row.day})`,
      },
    });
}

export async function misconceptionSignsOf(db: Queryable, personIds: readonly string[]) {
  if (personIds.length === 0) return [];
  return db
    .select()
    .from(misconceptionSigns)
    .where(inArray(misconceptionSigns.personId, [...personIds]));
}

export async function allMisconceptionSigns(db: Queryable) {
  return db
    .select()
    .from(misconceptionSigns)
    .orderBy(
      asc(misconceptionSigns.personId),
      asc(misconceptionSigns.skillId),
      asc(misconceptionSigns.misconceptionId),
    );
}

/** Everybody who has answered, or of whom there are summaries. */
export async function peopleWithSummaries(db: Queryable): Promise<string[]> {
  const rows = await union(
    db.selectDistinct({ personId: answers.personId }).from(answers),
    db.selectDistinct({ personId: skillStates.personId }).from(skillStates),
    db.selectDistinct({ personId: skillDays.personId }).from(skillDays),
    db.selectDistinct({ personId: misconceptionSigns.personId }).from(misconceptionSigns),
  );
  return rows.map(({ personId }) => personId);
}

/** Empties one student's summaries, which the rebuild then fills from the log. */
export async function clearSummariesOf(tx: Queryable, personId: string): Promise<void> {
  await tx.delete(skillStates).where(eq(skillStates.personId, personId));
  await tx.delete(skillDays).where(eq(skillDays.personId, personId));
  await tx.delete(misconceptionSigns).where(eq(misconceptionSigns.personId, personId));
}
