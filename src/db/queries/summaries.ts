import "server-only";
import { and, asc, eq, sql } from "drizzle-orm";
import { union } from "drizzle-orm/sqlite-core";
import { manyRows } from "../manyRows";
import type { Queryable } from "../queryable";
import { scores } from "../schema/sittings";
import { misconceptionDays, misconceptionSigns, skillDays, skillStates } from "../schema/summaries";
import { among } from "./people";

export type SkillStateRow = typeof skillStates.$inferSelect;

/** One student's summaries of some skills. */
export async function skillStatesOfPerson(
  db: Queryable,
  personId: string,
  skillIds: readonly string[],
): Promise<SkillStateRow[]> {
  return db
    .select()
    .from(skillStates)
    .where(and(eq(skillStates.personId, personId), among(skillStates.skillId, skillIds)));
}

export async function skillStatesOf(db: Queryable, personIds: readonly string[]): Promise<SkillStateRow[]> {
  if (personIds.length === 0) return [];
  return manyRows(db, skillStates, among(skillStates.personId, personIds));
}

export async function allSkillStates(db: Queryable): Promise<SkillStateRow[]> {
  return db.select().from(skillStates).orderBy(asc(skillStates.personId), asc(skillStates.skillId));
}

export async function skillDaysOf(db: Queryable, personIds: readonly string[], fromDay: number) {
  if (personIds.length === 0) return [];
  return db
    .select()
    .from(skillDays)
    .where(and(among(skillDays.personId, personIds), sql`${skillDays.day} >= ${fromDay}`));
}

export async function allSkillDays(db: Queryable) {
  return db.select().from(skillDays).orderBy(asc(skillDays.personId), asc(skillDays.skillId), asc(skillDays.day));
}

/** On which days since one some people answered anything, how much, and for how long in all. */
export async function timeByDay(db: Queryable, personIds: readonly string[], fromDay: number) {
  if (personIds.length === 0) return [];
  return db
    .select({
      personId: skillDays.personId,
      day: skillDays.day,
      milliseconds: sql<number>`sum(${skillDays.milliseconds})`,
      answers: sql<number>`sum(${skillDays.answered})`,
    })
    .from(skillDays)
    .where(and(among(skillDays.personId, personIds), sql`${skillDays.day} >= ${fromDay}`))
    .groupBy(skillDays.personId, skillDays.day);
}

export async function misconceptionSignsOf(db: Queryable, personIds: readonly string[]) {
  if (personIds.length === 0) return [];
  return db.select().from(misconceptionSigns).where(among(misconceptionSigns.personId, personIds));
}

/**
 * How some people's skills stood after the last answer on or before each of some days; skills that were not met by then are missing. By the key
 * of the table, so that it takes as long after years as after a week.
 */
export async function skillsOnDays(db: Queryable, personIds: readonly string[], days: readonly number[]) {
  if (personIds.length === 0 || days.length === 0) return [];
  return db.all<{
    personId: string;
    skillId: string;
    on: number;
    day: number;
    prior: number;
    mastery: number | null;
    stabilityDays: number | null;
    mean: number | null;
    spread: number | null;
    answeredUntil: number | null;
    rightUntil: number | null;
  }>(
    sql`select s.person_id as personId, s.skill_id as skillId, j.value as "on", s.prior, d.day, d.mastery,
          d.stability_days as stabilityDays, d.mean, d.spread, d.answered_until as answeredUntil, d.right_until as rightUntil
        from ${skillStates} s cross join json_each(${JSON.stringify(days)}) j
        cross join ${skillDays} d on d.person_id = s.person_id and d.skill_id = s.skill_id
          and d.day = (select max(x.day) from ${skillDays} x
            where x.person_id = s.person_id and x.skill_id = s.skill_id and x.day <= j.value)
        where s.person_id in (select value from json_each(${JSON.stringify(personIds)}))`,
  );
}

/** Which of some people have ever answered anything. */
export async function everAnswered(db: Queryable, personIds: readonly string[]): Promise<ReadonlySet<string>> {
  if (personIds.length === 0) return new Set();
  const rows = await db
    .selectDistinct({ personId: skillStates.personId })
    .from(skillStates)
    .where(among(skillStates.personId, personIds));
  return new Set(rows.map(({ personId }) => personId));
}

/** On which days of a range some students showed which mistakes. */
export async function misconceptionDaysOf(
  db: Queryable,
  personIds: readonly string[],
  { from, to }: { readonly from: number; readonly to: number },
) {
  if (personIds.length === 0) return [];
  return db
    .select()
    .from(misconceptionDays)
    .where(and(among(misconceptionDays.personId, personIds), sql`${misconceptionDays.day} between ${from} and ${to}`));
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

export async function allMisconceptionDays(db: Queryable) {
  return db
    .select()
    .from(misconceptionDays)
    .orderBy(
      asc(misconceptionDays.personId),
      asc(misconceptionDays.skillId),
      asc(misconceptionDays.misconceptionId),
      asc(misconceptionDays.day),
    );
}

/** Everybody who has answered, or of whom there are summaries. */
export async function peopleWithSummaries(db: Queryable): Promise<string[]> {
  const rows = await union(
    db.selectDistinct({ personId: scores.personId }).from(scores),
    db.selectDistinct({ personId: skillStates.personId }).from(skillStates),
    db.selectDistinct({ personId: skillDays.personId }).from(skillDays),
    db.selectDistinct({ personId: misconceptionSigns.personId }).from(misconceptionSigns),
    db.selectDistinct({ personId: misconceptionDays.personId }).from(misconceptionDays),
  );
  return rows.map(({ personId }) => personId);
}

/** Empties one student's summaries, of all skills or of some, which the rebuild then fills from the scores. */
export async function clearSummariesOf(
  tx: Queryable,
  personId: string,
  skillIds: readonly string[] | null = null,
): Promise<void> {
  for (const table of [skillStates, skillDays, misconceptionSigns, misconceptionDays])
    await tx
      .delete(table)
      .where(and(eq(table.personId, personId), skillIds === null ? undefined : among(table.skillId, skillIds)));
}
