import "server-only";
import { and, asc, count, desc, eq, getTableColumns, gt, inArray, sql } from "drizzle-orm";
import { prepared } from "../prepared";
import type { Queryable } from "../queryable";
import { answers, uncountedAnswers } from "../schema/delivery";
import { among } from "./people";

export type AnswerRow = typeof answers.$inferSelect;

const value = sql.placeholder;

export async function answerBySerial(db: Queryable, serial: number): Promise<AnswerRow | null> {
  const [row] = await readable(db).where(eq(answers.serial, serial));
  return row ?? null;
}

const answerInsert = prepared((db) =>
  db
    .insert(answers)
    .values({
      key: value("key"),
      personId: value("personId"),
      workId: value("workId"),
      sittingId: value("sittingId"),
      presentationId: value("presentationId"),
      skillId: value("skillId"),
      modelId: value("modelId"),
      modelVersion: value("modelVersion"),
      seed: value("seed"),
      context: value("context"),
      tryNumber: value("tryNumber"),
      raw: value("raw"),
      right: value("right"),
      misconceptionId: value("misconceptionId"),
      hintsUsed: value("hintsUsed"),
      milliseconds: value("milliseconds"),
      givenAt: value("givenAt"),
      recordedAt: value("recordedAt"),
      day: value("day"),
      witness: value("witness"),
      lateClaim: value("lateClaim"),
      deviceClock: value("deviceClock"),
      grade: value("grade"),
      skillDifficulty: value("skillDifficulty"),
      a: value("a"),
      b: value("b"),
      c: value("c"),
    })
    .prepare(),
);
/** Appends to the log; there is no way to change or remove an answer. */
export async function insertAnswer(tx: Queryable, row: Omit<AnswerRow, "serial">): Promise<void> {
  await answerInsert(tx).run({ ...row });
}

/** Keeps what a student sent and what counts for nothing; sent again it is there already. */
export async function keepUncounted(tx: Queryable, row: typeof uncountedAnswers.$inferInsert): Promise<void> {
  await tx.insert(uncountedAnswers).values(row).onConflictDoNothing();
}

/** How many answers came too late to count, by student of a piece of work. */
export async function lateAnswersOfWork(db: Queryable, workId: string): Promise<ReadonlyMap<string, number>> {
  const rows = await db
    .select({ personId: uncountedAnswers.personId, late: count() })
    .from(uncountedAnswers)
    .where(and(eq(uncountedAnswers.workId, workId), eq(uncountedAnswers.reason, "too-late")))
    .groupBy(uncountedAnswers.personId);
  return new Map(rows.map(({ personId, late }) => [personId, late]));
}

/** The latest answer of a sitting; null before the first. */
export async function lastAnswerOfSitting(db: Queryable, sittingId: string): Promise<AnswerRow | null> {
  const [row] = await readable(db).where(eq(answers.sittingId, sittingId)).orderBy(desc(answers.serial)).limit(1);
  return row ?? null;
}

/**
 * The log for reading. What lies outside every bound (an instant after its own recording, say) comes bounded, so that no row,
 * however it got there, stops a reader: the client refuses integers that JavaScript can't hold.
 */
const readable = (db: Queryable) =>
  db
    .select({
      ...getTableColumns(answers),
      givenAt: sql<number>`max(0, min(${answers.givenAt}, ${answers.recordedAt}))`,
      milliseconds: sql<number>`max(0, min(${answers.milliseconds}, ${MOST_READABLE_MILLISECONDS}))`,
      hintsUsed: sql<number>`max(0, min(${answers.hintsUsed}, 99))`,
      deviceClock: sql<
        number | null
      >`case when abs(${answers.deviceClock}) <= ${MOST_INSTANT} then ${answers.deviceClock} end`,
    })
    .from(answers);
const MOST_READABLE_MILLISECONDS = 86_400_000;
/** The last instant that JavaScript's dates know. */
const MOST_INSTANT = 8_640_000_000_000_000;

/** The answers behind one cell of the mastery map, newest first. */
export async function answersBehindCell(
  db: Queryable,
  personId: string,
  skillId: string,
  limit: number,
): Promise<AnswerRow[]> {
  return readable(db)
    .where(and(eq(answers.personId, personId), eq(answers.skillId, skillId)))
    .orderBy(desc(answers.serial))
    .limit(limit);
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
      rank: sql<number>`row_number() over (partition by ${answers.personId} order by ${answers.misconceptionId} is null, ${answers.serial} desc)`.as(
        "rank",
      ),
    })
    .from(answers)
    .where(
      and(
        among(answers.personId, personIds),
        eq(answers.skillId, skillId),
        eq(answers.right, false),
        eq(answers.tryNumber, 1),
      ),
    )
    .as("ranked");
  const first = db.select({ serial: ranked.serial }).from(ranked).where(eq(ranked.rank, 1));
  return readable(db).where(inArray(answers.serial, first));
}

/** A slice of the whole log in the order of writing. */
export async function answersAfter(db: Queryable, serial: number, limit: number): Promise<AnswerRow[]> {
  return readable(db).where(gt(answers.serial, serial)).orderBy(asc(answers.serial)).limit(limit);
}

/** Everything one person answered, for taking it out. */
export async function answersOfPerson(db: Queryable, personId: string): Promise<AnswerRow[]> {
  return readable(db).where(eq(answers.personId, personId)).orderBy(asc(answers.serial));
}

export async function uncountedAnswersOf(db: Queryable, personId: string) {
  return db.select().from(uncountedAnswers).where(eq(uncountedAnswers.personId, personId));
}
