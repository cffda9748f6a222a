import "server-only";
import { and, asc, count, desc, eq, getTableColumns, gt, inArray, sql } from "drizzle-orm";
import type { Queryable } from "../connection";
import { prepared } from "../prepared";
import {
  answers,
  misconceptionSigns,
  type Presentation,
  sittings,
  skillDays,
  skillStates,
  uncountedAnswers,
} from "../schema/delivery";
import { classes, people } from "../schema/people";
import { workSkills, works, workTargets } from "../schema/work";

export type SittingRow = typeof sittings.$inferSelect;
export type AnswerRow = typeof answers.$inferSelect;
export type SkillStateRow = typeof skillStates.$inferSelect;

const value = sql.placeholder;

/** What an answer meets: its sitting and work, the student's grade (or else the class's), and whether the same answer came before. */
export interface AnswerSituation {
  readonly sitting: SittingRow;
  readonly work: Pick<
    typeof works.$inferSelect,
    "id" | "classId" | "kind" | "title" | "instructions" | "dueAt" | "budgetItems" | "withdrawnAt"
  >;
  readonly extraItems: number | null;
  readonly grade: number;
  readonly skillIds: readonly string[];
  /** Serial of the answer that has this key already. */
  readonly knownSerial: number | null;
}

/**
 * One statement with one column: every answer runs it, and turning forty columns into objects costs more than finding them.
 * No real number goes this way: SQLite writes them into JSON with fewer digits than they have.
 */
const answerSituation = prepared((db) => {
  const found = sql<string>`json_object(
    'sitting', json_object('id', ${sittings.id}, 'workId', ${sittings.workId}, 'personId', ${sittings.personId},
      'startedAt', ${sittings.startedAt}, 'lastAt', ${sittings.lastAt}, 'finishedAt', ${sittings.finishedAt},
      'finishReason', ${sittings.finishReason}, 'itemsDone', ${sittings.itemsDone}, 'itemsRight', ${sittings.itemsRight},
      'progressPermille', ${sittings.progressPermille}, 'chancesAtStart', json(${sittings.chancesAtStart}),
      'presentations', json(${sittings.presentations})),
    'work', json_object('id', ${works.id}, 'classId', ${works.classId}, 'kind', ${works.kind}, 'title', ${works.title},
      'instructions', ${works.instructions}, 'dueAt', ${works.dueAt}, 'budgetItems', ${works.budgetItems},
      'withdrawnAt', ${works.withdrawnAt}),
    'extraItems', ${workTargets.extraItems},
    'grade', coalesce(${people.grade}, ${classes.grade}),
    'knownSerial', (select ${answers.serial} from ${answers} where ${answers.key} = ${value("key")}),
    'skillIds', (select json_group_array(own_skill) from (select ${workSkills.skillId} as own_skill from ${workSkills}
      where ${workSkills.workId} = ${works.id} order by ${workSkills.place})))`;
  return db
    .select({ found })
    .from(sittings)
    .innerJoin(works, eq(works.id, sittings.workId))
    .innerJoin(classes, eq(classes.id, works.classId))
    .innerJoin(people, eq(people.id, sittings.personId))
    .leftJoin(workTargets, and(eq(workTargets.workId, sittings.workId), eq(workTargets.personId, sittings.personId)))
    .where(eq(sittings.id, value("sittingId")))
    .prepare();
});

export async function situationOfAnswer(
  db: Queryable,
  sittingId: string,
  key: string,
): Promise<AnswerSituation | null> {
  const [row] = await answerSituation(db).all({ sittingId, key });
  return row ? (JSON.parse(row.found) as AnswerSituation) : null;
}

export async function answerBySerial(db: Queryable, serial: number): Promise<AnswerRow | null> {
  const [row] = await readable(db).where(eq(answers.serial, serial));
  return row ?? null;
}

export async function sittingOf(db: Queryable, workId: string, personId: string): Promise<SittingRow | null> {
  const [row] = await db
    .select()
    .from(sittings)
    .where(and(eq(sittings.workId, workId), eq(sittings.personId, personId)));
  return row ?? null;
}

export async function insertSitting(tx: Queryable, row: typeof sittings.$inferInsert): Promise<void> {
  await tx.insert(sittings).values(row);
}

const sittingUpdate = prepared((db) =>
  db
    .update(sittings)
    .set({
      lastAt: sql`${value("lastAt")}`,
      finishedAt: sql`${value("finishedAt")}`,
      finishReason: sql`${value("finishReason")}`,
      itemsDone: sql`${value("itemsDone")}`,
      itemsRight: sql`${value("itemsRight")}`,
      progressPermille: sql`${value("progressPermille")}`,
      presentations: sql`${value("presentations")}`,
    })
    .where(eq(sittings.id, value("id")))
    .prepare(),
);
/** Stores how far a sitting has come. */
export async function updateSitting(tx: Queryable, row: SittingRow): Promise<void> {
  const { id, lastAt, finishedAt, finishReason, itemsDone, itemsRight, progressPermille } = row;
  const presentations = JSON.stringify(row.presentations);
  await sittingUpdate(tx).run({
    id,
    lastAt,
    finishedAt,
    finishReason,
    itemsDone,
    itemsRight,
    progressPermille,
    presentations,
  });
}

/** The items of a sitting, as they were drawn. */
export async function presentationsOf(db: Queryable, sittingId: string): Promise<readonly Presentation[]> {
  const [row] = await db
    .select({ presentations: sittings.presentations })
    .from(sittings)
    .where(eq(sittings.id, sittingId));
  return row?.presentations ?? [];
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

/** A slice of the whole log in the order of writing, for the rebuild. */
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

/** Empties the summaries, which the rebuild then fills from the log. */
export async function clearSummaries(tx: Queryable): Promise<void> {
  await tx.delete(skillStates);
  await tx.delete(skillDays);
  await tx.delete(misconceptionSigns);
}
