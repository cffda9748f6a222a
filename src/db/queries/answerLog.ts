import "server-only";
import { and, asc, count, desc, eq, getTableColumns, gt, inArray, type SQL, sql } from "drizzle-orm";
import { alias } from "drizzle-orm/sqlite-core";
import type { Queryable } from "../queryable";
import { itemVersions } from "../schema/items";
import { answers, scores, sittingItems, sittings, uncountedAnswers } from "../schema/sittings";
import { assignmentTargets } from "../schema/work";
import { among } from "./people";

/** What outside every bound comes bounded: a row that got there somehow must stop no reader. */
const MOST_READABLE_MILLISECONDS = 86_400_000;
/** The last instant that JavaScript's dates know. */
const MOST_INSTANT = 8_640_000_000_000_000;

/**
 * An answer for reading, with the item it was given to. What lies outside every bound (an instant after its own recording,
 * say) comes bounded: the client refuses integers that JavaScript can't hold.
 */
const answerColumns = {
  ...getTableColumns(answers),
  givenAt: sql<number>`max(0, min(${answers.givenAt}, ${answers.recordedAt}))`,
  milliseconds: sql<number>`max(0, min(${answers.milliseconds}, ${MOST_READABLE_MILLISECONDS}))`,
  hintsUsed: sql<number>`max(0, min(${answers.hintsUsed}, 99))`,
  deviceClock: sql<
    number | null
  >`case when abs(${answers.deviceClock}) <= ${MOST_INSTANT} then ${answers.deviceClock} end`,
  versionId: sittingItems.versionId,
  itemId: itemVersions.itemId,
  seed: sittingItems.seed,
  context: sittingItems.context,
  optionOrder: sittingItems.optionOrder,
  assignmentId: assignmentTargets.assignmentId,
};
const readable = (db: Queryable) =>
  db
    .select(answerColumns)
    .from(answers)
    .innerJoin(sittingItems, eq(sittingItems.id, answers.sittingItemId))
    .innerJoin(itemVersions, eq(itemVersions.id, sittingItems.versionId))
    .innerJoin(sittings, eq(sittings.id, sittingItems.sittingId))
    .innerJoin(assignmentTargets, eq(assignmentTargets.id, sittings.targetId));

export type AnswerRow = Awaited<ReturnType<typeof answersOfPerson>>[number];
export type ScoreRow = typeof scores.$inferSelect;

/** A score that nothing has taken the place of; one of nothing possible only takes another back. */
export const isCurrent: SQL = sql`${scores.possible} > 0 and not exists (select 1 from scores later where later.supersedes = ${scores.serial})`;

export async function answerByKey(db: Queryable, key: string): Promise<AnswerRow | null> {
  const [row] = await readable(db).where(eq(answers.key, key));
  return row ?? null;
}

/** The latest answer of a sitting; null before the first. */
export async function lastAnswerOfSitting(db: Queryable, sittingId: string): Promise<AnswerRow | null> {
  const [row] = await readable(db).where(eq(sittingItems.sittingId, sittingId)).orderBy(desc(answers.serial)).limit(1);
  return row ?? null;
}

/** Every answer of a sitting, in the order in which they were given. */
export async function answersOfSitting(db: Queryable, sittingId: string): Promise<AnswerRow[]> {
  return readable(db).where(eq(sittingItems.sittingId, sittingId)).orderBy(asc(answers.serial));
}

/** Scores in force of some answers. */
export async function scoresOfAnswers(db: Queryable, serials: readonly number[]): Promise<ScoreRow[]> {
  if (serials.length === 0) return [];
  return db
    .select()
    .from(scores)
    .where(and(sql`${scores.answerSerial} in (select value from json_each(${JSON.stringify(serials)}))`, isCurrent))
    .orderBy(asc(scores.serial));
}

/** The first tries among some answers, with the items that they were given to. */
export async function firstTriesOf(db: Queryable, serials: readonly number[]) {
  if (serials.length === 0) return [];
  return db
    .select({ serial: answers.serial, sittingItemId: answers.sittingItemId, sittingId: sittingItems.sittingId })
    .from(answers)
    .innerJoin(sittingItems, eq(sittingItems.id, answers.sittingItemId))
    .where(
      and(
        sql`${answers.serial} in (select value from json_each(${JSON.stringify(serials)}))`,
        eq(answers.tryNumber, 1),
      ),
    );
}

/** Scores in force of whatever answers an item of a sitting has. */
export async function scoresOfItem(db: Queryable, sittingItemId: string): Promise<ScoreRow[]> {
  return db
    .select(getTableColumns(scores))
    .from(scores)
    .innerJoin(answers, eq(answers.serial, scores.answerSerial))
    .where(and(eq(answers.sittingItemId, sittingItemId), isCurrent));
}

/** The answers behind one cell of the mastery map, newest first: those that are worth something in the skill. */
export async function answersBehindCell(
  db: Queryable,
  personId: string,
  skillId: string,
  limit: number,
): Promise<AnswerRow[]> {
  const own = db
    .select({ serial: scores.answerSerial })
    .from(scores)
    .where(and(eq(scores.personId, personId), eq(scores.skillId, skillId), isCurrent))
    .groupBy(scores.answerSerial)
    .orderBy(desc(scores.answerSerial))
    .limit(limit);
  return readable(db).where(inArray(answers.serial, own)).orderBy(desc(answers.serial));
}

/**
 * Each student's wrong first try in a skill that tells most: the latest with a known misconception, or else the latest. One
 * read for all of them.
 */
export async function tellingMisses(
  db: Queryable,
  personIds: readonly string[],
  skillId: string,
): Promise<AnswerRow[]> {
  const ranked = db
    .select({
      serial: answers.serial,
      rank: sql<number>`row_number() over (partition by ${answers.personId} order by ${scores.misconceptionId} is null, ${answers.serial} desc)`.as(
        "rank",
      ),
    })
    .from(scores)
    .innerJoin(answers, eq(answers.serial, scores.answerSerial))
    .where(
      and(
        among(scores.personId, personIds),
        eq(scores.skillId, skillId),
        sql`${scores.earned} < ${scores.possible}`,
        eq(answers.tryNumber, 1),
        isCurrent,
      ),
    )
    .as("ranked");
  const first = db.select({ serial: ranked.serial }).from(ranked).where(eq(ranked.rank, 1));
  return readable(db).where(inArray(answers.serial, first));
}

/** The latest first try of each of some students in a skill that showed a known mistake. */
export async function latestShowing(
  db: Queryable,
  personIds: readonly string[],
  { skillId, misconceptionId }: { readonly skillId: string; readonly misconceptionId: string },
): Promise<AnswerRow[]> {
  const latest = db
    .select({ serial: sql<number>`max(${answers.serial})` })
    .from(scores)
    .innerJoin(answers, eq(answers.serial, scores.answerSerial))
    .where(
      and(
        among(scores.personId, personIds),
        eq(scores.skillId, skillId),
        eq(scores.misconceptionId, misconceptionId),
        isCurrent,
      ),
    )
    .groupBy(scores.personId);
  return readable(db).where(inArray(answers.serial, latest));
}

/** What is evidence of skills: each score in force, with what its answer adds. */
const evidence = (db: Queryable) =>
  db
    .select({
      ...getTableColumns(scores),
      key: answers.key,
      tryNumber: answers.tryNumber,
      hintsUsed: answerColumns.hintsUsed,
      milliseconds: answerColumns.milliseconds,
      day: answers.day,
      itemId: itemVersions.itemId,
    })
    .from(scores)
    .innerJoin(answers, eq(answers.serial, scores.answerSerial))
    .innerJoin(sittingItems, eq(sittingItems.id, answers.sittingItemId))
    .innerJoin(itemVersions, eq(itemVersions.id, sittingItems.versionId));

export type EvidenceRow = Awaited<ReturnType<typeof evidenceAfter>>[number];

/** A slice of all scores in force, in the order of the answers. */
export async function evidenceAfter(db: Queryable, serial: number, limit: number) {
  return evidence(db)
    .where(and(gt(scores.serial, serial), isCurrent))
    .orderBy(asc(scores.serial))
    .limit(limit);
}

/** One student's scores in force, of all skills or of some, in the order of the answers. */
export async function evidenceOfPerson(
  db: Queryable,
  personId: string,
  skillIds: readonly string[] | null = null,
): Promise<EvidenceRow[]> {
  return evidence(db)
    .where(
      and(eq(scores.personId, personId), skillIds === null ? undefined : among(scores.skillId, skillIds), isCurrent),
    )
    .orderBy(asc(scores.answerSerial), asc(scores.serial));
}

/** Appends scores that take the place of others; the answers stay. */
export async function supersede(
  tx: Queryable,
  rows: readonly Omit<typeof scores.$inferInsert, "serial">[],
): Promise<void> {
  if (rows.length > 0) await tx.insert(scores).values([...rows]);
}

/** Scores that an entry of the history made, each with the one whose place it took, and whether it is in force. */
export async function scoresOfChange(db: Queryable, changeId: string) {
  const before = alias(scores, "before");
  const later = alias(scores, "later");
  const rows = await db
    .select({ serial: scores.serial, before, laterSerial: later.serial })
    .from(scores)
    .innerJoin(before, eq(before.serial, scores.supersedes))
    .leftJoin(later, eq(later.supersedes, scores.serial))
    .where(eq(scores.changeId, changeId))
    .orderBy(asc(scores.serial));
  return rows.map(({ serial, before: replaced, laterSerial }) => ({
    serial,
    before: replaced,
    current: laterSerial === null,
  }));
}

/** All answers to some versions of items. */
export async function answersToVersions(db: Queryable, versionIds: readonly string[]) {
  return readable(db).where(among(sittingItems.versionId, versionIds)).orderBy(asc(answers.serial));
}

/** Everything one person answered, for taking it out. */
export async function answersOfPerson(db: Queryable, personId: string) {
  return readable(db).where(eq(answers.personId, personId)).orderBy(asc(answers.serial));
}

export async function scoresOfPerson(db: Queryable, personId: string): Promise<ScoreRow[]> {
  return db.select().from(scores).where(eq(scores.personId, personId)).orderBy(asc(scores.serial));
}

export async function uncountedAnswersOf(db: Queryable, personId: string) {
  return db.select().from(uncountedAnswers).where(eq(uncountedAnswers.personId, personId));
}

/** How many answers came too late to count, by student of what was given. */
export async function lateAnswersOf(db: Queryable, assignmentId: string): Promise<ReadonlyMap<string, number>> {
  const rows = await db
    .select({ personId: uncountedAnswers.personId, late: count() })
    .from(uncountedAnswers)
    .innerJoin(sittingItems, eq(sittingItems.id, uncountedAnswers.sittingItemId))
    .innerJoin(sittings, eq(sittings.id, sittingItems.sittingId))
    .innerJoin(assignmentTargets, eq(assignmentTargets.id, sittings.targetId))
    .where(and(eq(assignmentTargets.assignmentId, assignmentId), eq(uncountedAnswers.reason, "too-late")))
    .groupBy(uncountedAnswers.personId);
  return new Map(rows.map(({ personId, late }) => [personId, late]));
}
