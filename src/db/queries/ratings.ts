import "server-only";
import { and, asc, count, eq, getTableColumns, sql } from "drizzle-orm";
import type { Queryable } from "../queryable";
import { itemVersions } from "../schema/items";
import { answers, ratings, sittingItems, sittings } from "../schema/sittings";
import { assignmentTargets } from "../schema/work";
import { among } from "./people";
import type { SittingItemRow } from "./sittings";

export type RatingRow = typeof ratings.$inferSelect;

const given = (db: Queryable) =>
  db
    .select({
      serial: answers.serial,
      personId: answers.personId,
      tryNumber: answers.tryNumber,
      response: answers.response,
      givenAt: answers.givenAt,
      item: { ...getTableColumns(sittingItems), itemId: itemVersions.itemId },
      assignmentId: assignmentTargets.assignmentId,
    })
    .from(answers)
    .innerJoin(sittingItems, eq(sittingItems.id, answers.sittingItemId))
    .innerJoin(itemVersions, eq(itemVersions.id, sittingItems.versionId))
    .innerJoin(sittings, eq(sittings.id, sittingItems.sittingId))
    .innerJoin(assignmentTargets, eq(assignmentTargets.id, sittings.targetId));

/** An answer with where it was given. */
export interface GivenRow {
  readonly serial: number;
  readonly personId: string;
  readonly tryNumber: number;
  readonly response: Readonly<Record<string, unknown>>;
  readonly givenAt: number;
  readonly item: SittingItemRow;
  readonly assignmentId: string;
}

export async function givenBySerial(db: Queryable, serial: number): Promise<GivenRow | null> {
  const [row] = await given(db).where(eq(answers.serial, serial));
  return row ?? null;
}

/** Versions of items that an assignment's students were given. */
export async function versionsGivenIn(db: Queryable, assignmentId: string): Promise<string[]> {
  const rows = await db
    .selectDistinct({ versionId: sittingItems.versionId })
    .from(sittingItems)
    .innerJoin(sittings, eq(sittings.id, sittingItems.sittingId))
    .innerJoin(assignmentTargets, eq(assignmentTargets.id, sittings.targetId))
    .where(eq(assignmentTargets.assignmentId, assignmentId));
  return rows.map(({ versionId }) => versionId);
}

/** Answers of an assignment to some versions of items, in the order in which they were given. */
export async function answersGivenTo(
  db: Queryable,
  assignmentId: string,
  versionIds: readonly string[],
): Promise<GivenRow[]> {
  return given(db)
    .where(and(eq(assignmentTargets.assignmentId, assignmentId), among(sittingItems.versionId, versionIds)))
    .orderBy(asc(answers.serial));
}

/** Ratings of some answers, the latest last. */
export async function ratingsOf(db: Queryable, serials: readonly number[]): Promise<RatingRow[]> {
  if (serials.length === 0) return [];
  return db
    .select()
    .from(ratings)
    .where(sql`${ratings.answerSerial} in (select value from json_each(${JSON.stringify(serials)}))`)
    .orderBy(asc(ratings.serial));
}

export async function ratingByKey(db: Queryable, key: string): Promise<RatingRow | null> {
  const [row] = await db.select().from(ratings).where(eq(ratings.key, key));
  return row ?? null;
}

export async function insertRating(tx: Queryable, row: Omit<typeof ratings.$inferInsert, "serial">): Promise<void> {
  await tx.insert(ratings).values(row);
}

/** Ratings of everything that somebody wrote. */
export async function ratingsOfPerson(db: Queryable, personId: string): Promise<RatingRow[]> {
  return db
    .select(getTableColumns(ratings))
    .from(ratings)
    .innerJoin(answers, eq(answers.serial, ratings.answerSerial))
    .where(eq(answers.personId, personId))
    .orderBy(asc(ratings.serial));
}

/** An answer was given, and it is not said yet what it is worth; what was set aside as not learned is worth nothing to anybody. */
const isWaiting = sql`${sittingItems.earned} is null and ${sittingItems.tries} > 0 and ${sittingItems.setAside} = 0`;

/** Answers that wait for a person to score them, by student of what was given. */
export async function waitingIn(db: Queryable, assignmentId: string): Promise<ReadonlyMap<string, number>> {
  const rows = await db
    .select({ personId: assignmentTargets.personId, waiting: count() })
    .from(assignmentTargets)
    .innerJoin(sittings, eq(sittings.targetId, assignmentTargets.id))
    .innerJoin(sittingItems, eq(sittingItems.sittingId, sittings.id))
    .where(and(eq(assignmentTargets.assignmentId, assignmentId), isWaiting))
    .groupBy(assignmentTargets.personId);
  return new Map(rows.map(({ personId, waiting }) => [personId, waiting]));
}

/** How many answers of each of some assignments wait for a person to score them. */
export async function waitingCounts(
  db: Queryable,
  assignmentIds: readonly string[],
): Promise<ReadonlyMap<string, number>> {
  if (assignmentIds.length === 0) return new Map();
  // From what waits to the work, by the index that holds nothing else: never through all items of all runs.
  const rows = await db.all<{ assignmentId: string; waiting: number }>(
    sql`select t.assignment_id as assignmentId, count(*) as waiting from sitting_items i indexed by sitting_items_waiting
        cross join sittings s on s.id = i.sitting_id cross join assignment_targets t on t.id = s.target_id
        where i.earned is null and i.tries > 0 and i.set_aside = 0
          and t.assignment_id in (select value from json_each(${JSON.stringify(assignmentIds)}))
        group by t.assignment_id`,
  );
  return new Map(rows.map(({ assignmentId, waiting }) => [assignmentId, waiting]));
}

/** What an item earned once a person has scored it, and where that leaves the run. */
export async function keepScoredItem(
  tx: Queryable,
  item: Pick<SittingItemRow, "id" | "sittingId" | "earned" | "possible">,
  run: { readonly itemsRight: number; readonly mark: string | null },
): Promise<void> {
  await tx
    .update(sittingItems)
    .set({ earned: item.earned, possible: item.possible })
    .where(eq(sittingItems.id, item.id));
  await tx
    .update(sittings)
    .set({ ...run, version: sql`${sittings.version} + 1` })
    .where(eq(sittings.id, item.sittingId));
}

/** Who of some assignments has answers that wait for a person, by the same index. */
export async function waitingStudents(db: Queryable, assignmentIds: readonly string[]) {
  if (assignmentIds.length === 0) return [];
  return db.all<{ assignmentId: string; personId: string }>(
    sql`select distinct t.assignment_id as assignmentId, t.person_id as personId
        from sitting_items i indexed by sitting_items_waiting
        cross join sittings s on s.id = i.sitting_id cross join assignment_targets t on t.id = s.target_id
        where i.earned is null and i.tries > 0 and i.set_aside = 0
          and t.assignment_id in (select value from json_each(${JSON.stringify(assignmentIds)}))`,
  );
}
