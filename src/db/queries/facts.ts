import "server-only";
import { and, asc, desc, eq, gte, isNull } from "drizzle-orm";
import type { Queryable } from "../queryable";
import { factAttempts, factDays, factSettings, factStates } from "../schema/facts";
import { among } from "./people";

export type FactSettingsRow = typeof factSettings.$inferSelect;
export type FactAttemptRow = typeof factAttempts.$inferSelect;
export type FactStateRow = typeof factStates.$inferSelect;
export type FactDayRow = typeof factDays.$inferSelect;

/** How some classes practise facts, with what their students have that differs. */
export async function factSettingsOf(db: Queryable, classIds: readonly string[]): Promise<FactSettingsRow[]> {
  return classIds.length === 0 ? [] : db.select().from(factSettings).where(among(factSettings.classId, classIds));
}

/** The classes, of some, that practise facts. */
export async function classesWithFacts(db: Queryable, classIds: readonly string[]): Promise<string[]> {
  if (classIds.length === 0) return [];
  const rows = await db
    .select({ classId: factSettings.classId })
    .from(factSettings)
    .where(and(among(factSettings.classId, classIds), isNull(factSettings.personId), eq(factSettings.on, true)));
  return rows.map(({ classId }) => classId);
}

export async function factStatesOf(db: Queryable, personIds: readonly string[]): Promise<FactStateRow[]> {
  return personIds.length === 0 ? [] : db.select().from(factStates).where(among(factStates.personId, personIds));
}

/** Days of practice of some students since a day, the oldest first. */
export async function factDaysOf(db: Queryable, personIds: readonly string[], since: string): Promise<FactDayRow[]> {
  if (personIds.length === 0) return [];
  return db
    .select()
    .from(factDays)
    .where(and(among(factDays.personId, personIds), gte(factDays.day, since)))
    .orderBy(asc(factDays.day));
}

/** Attempts of a kind by some students, the latest first. */
export async function attemptsOfKindBy(
  db: Queryable,
  personIds: readonly string[],
  kind: FactAttemptRow["kind"],
): Promise<FactAttemptRow[]> {
  if (personIds.length === 0) return [];
  return db
    .select()
    .from(factAttempts)
    .where(and(among(factAttempts.personId, personIds), eq(factAttempts.kind, kind)))
    .orderBy(desc(factAttempts.serial));
}

export async function attemptsOnDay(db: Queryable, personId: string, day: string): Promise<FactAttemptRow[]> {
  return db
    .select()
    .from(factAttempts)
    .where(and(eq(factAttempts.personId, personId), eq(factAttempts.day, day)))
    .orderBy(asc(factAttempts.serial));
}

/** All attempts at one fact, the latest first. */
export async function attemptsAtFact(
  db: Queryable,
  personId: string,
  fact: string,
  most: number,
): Promise<FactAttemptRow[]> {
  return db
    .select()
    .from(factAttempts)
    .where(and(eq(factAttempts.personId, personId), eq(factAttempts.fact, fact)))
    .orderBy(desc(factAttempts.serial))
    .limit(most);
}

/** Keeps attempts; those kept already are passed over. Returns the keys of the new ones. */
export async function keepAttempts(
  tx: Queryable,
  rows: readonly (typeof factAttempts.$inferInsert)[],
): Promise<ReadonlySet<string>> {
  if (rows.length === 0) return new Set();
  const kept = await tx
    .insert(factAttempts)
    .values([...rows])
    .onConflictDoNothing()
    .returning({ key: factAttempts.key });
  return new Set(kept.map(({ key }) => key));
}

export async function keepFactStates(tx: Queryable, rows: readonly FactStateRow[]): Promise<void> {
  for (const row of rows)
    await tx
      .insert(factStates)
      .values(row)
      .onConflictDoUpdate({
        target: [factStates.personId, factStates.fact],
        set: { latest: row.latest, attempts: row.attempts },
      });
}

/** Keeps what a day comes to; the goal of a day that is over stays what it was. */
export async function keepFactDay(tx: Queryable, row: FactDayRow, isOver: boolean): Promise<void> {
  const { personId: _person, day: _day, goal, ...counted } = row;
  const values = isOver ? counted : { ...counted, goal };
  await tx
    .insert(factDays)
    .values(row)
    .onConflictDoUpdate({ target: [factDays.personId, factDays.day], set: values });
}
