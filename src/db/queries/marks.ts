import "server-only";
import { and, eq, inArray, sql } from "drizzle-orm";
import type { Queryable } from "../queryable";
import { answers, scores, sittingItems, sittings } from "../schema/sittings";
import { assignments, assignmentTargets, partItems, parts } from "../schema/work";
import { isCurrent } from "./answerLog";
import { among } from "./people";
import type { SittingItemRow } from "./sittings";

/** Runs with their kind of work and the mark that they have. */
export async function kindsOfSittings(db: Queryable, sittingIds: readonly string[]) {
  if (sittingIds.length === 0) return [];
  return db
    .select({ id: sittings.id, kind: parts.kind, mark: sittings.mark })
    .from(sittings)
    .innerJoin(parts, eq(parts.id, sittings.partId))
    .where(among(sittings.id, sittingIds));
}

/** Keeps a run's mark and what some of its items earned; whoever has the run in memory reads it anew. */
export async function keepMark(
  tx: Queryable,
  sittingId: string,
  {
    mark,
    itemsRight,
    items,
  }: {
    readonly mark: string | null;
    readonly itemsRight: number;
    readonly items: readonly Pick<SittingItemRow, "id" | "earned" | "possible">[];
  },
): Promise<void> {
  for (const { id, earned, possible } of items)
    await tx.update(sittingItems).set({ earned, possible }).where(eq(sittingItems.id, id));
  await tx
    .update(sittings)
    .set({ mark, itemsRight, version: sql`${sittings.version} + 1` })
    .where(eq(sittings.id, sittingId));
}

export type PartItem = typeof partItems.$inferSelect;

export async function partItemById(db: Queryable, id: string): Promise<(PartItem & { workId: string }) | null> {
  const [found] = await db
    .select({ item: partItems, workId: parts.workId })
    .from(partItems)
    .innerJoin(parts, eq(parts.id, partItems.partId))
    .where(eq(partItems.id, id));
  return found ? { ...found.item, workId: found.workId } : null;
}

/** What a placed item weighs in the mark, where it was shown already and for those who come later. */
export async function weighPlaced(
  tx: Queryable,
  { id, partId, versionId, seed }: PartItem,
  points: { readonly placed: number | null; readonly shown: number },
): Promise<readonly { readonly id: string; readonly sittingId: string }[]> {
  await tx.update(partItems).set({ points: points.placed }).where(eq(partItems.id, id));
  const runs = tx.select({ id: sittings.id }).from(sittings).where(eq(sittings.partId, partId));
  return tx
    .update(sittingItems)
    .set({ points: points.shown })
    .where(
      and(inArray(sittingItems.sittingId, runs), eq(sittingItems.versionId, versionId), eq(sittingItems.seed, seed)),
    )
    .returning({ id: sittingItems.id, sittingId: sittingItems.sittingId });
}

/** Scores in force of whatever answers some shown items have. */
export async function scoresOfShown(db: Queryable, sittingItemIds: readonly string[]) {
  if (sittingItemIds.length === 0) return [];
  const found = await db
    .select({ score: scores })
    .from(scores)
    .innerJoin(answers, eq(answers.serial, scores.answerSerial))
    .where(and(among(answers.sittingItemId, sittingItemIds), isCurrent));
  return found.map(({ score }) => score);
}

/** The items of a work with how often each was answered and how often it was right at the first try, by version and draw. */
export async function answeredInWork(db: Queryable, workId: string) {
  return db
    .select({
      versionId: sittingItems.versionId,
      seed: sittingItems.seed,
      answered: sql<number>`coalesce(sum(${sittingItems.earned} is not null), 0)`,
      right: sql<number>`coalesce(sum(${sittingItems.earned} = ${sittingItems.possible}), 0)`,
    })
    .from(sittingItems)
    .innerJoin(sittings, eq(sittings.id, sittingItems.sittingId))
    .innerJoin(parts, eq(parts.id, sittings.partId))
    .where(eq(parts.workId, workId))
    .groupBy(sittingItems.versionId, sittingItems.seed);
}

/** The marks of all finished runs at a work, with whose they are. */
export async function marksOfWork(db: Queryable, workId: string) {
  return db
    .select({ personId: assignmentTargets.personId, sittingId: sittings.id, mark: sittings.mark })
    .from(sittings)
    .innerJoin(assignmentTargets, eq(assignmentTargets.id, sittings.targetId))
    .innerJoin(assignments, eq(assignments.id, assignmentTargets.assignmentId))
    .where(eq(assignments.workId, workId));
}

/** The classes that a work was given in, what was withdrawn too. */
export async function classesOfWork(db: Queryable, workId: string): Promise<string[]> {
  const rows = await db
    .selectDistinct({ classId: assignments.classId })
    .from(assignments)
    .where(eq(assignments.workId, workId));
  return rows.map(({ classId }) => classId);
}

/** Points of the items that stand in the first form of each part of some works; parts without such items are missing. */
export async function pointsOfParts(db: Queryable, workIds: readonly string[]): Promise<ReadonlyMap<string, number>> {
  if (workIds.length === 0) return new Map();
  const rows = await db
    .select({ partId: partItems.partId, points: sql<number>`sum(coalesce(${partItems.points}, 1))` })
    .from(partItems)
    .innerJoin(parts, eq(parts.id, partItems.partId))
    .where(and(among(parts.workId, workIds), eq(partItems.form, "A")))
    .groupBy(partItems.partId);
  return new Map(rows.flatMap(({ partId, points }) => (points > 0 ? [[partId, points] as const] : [])));
}
