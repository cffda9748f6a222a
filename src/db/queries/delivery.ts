import "server-only";
import { and, eq, sql } from "drizzle-orm";
import { prepared } from "../prepared";
import type { Queryable } from "../queryable";
import { answers, type Presentation, sittings } from "../schema/delivery";
import { classes, people } from "../schema/people";
import { workSkills, works, workTargets } from "../schema/work";

export type SittingRow = typeof sittings.$inferSelect;

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
