import "server-only";
import { and, asc, desc, eq, getTableColumns, isNull } from "drizzle-orm";
import type { Queryable } from "../queryable";
import { outsideScores, scoreLists } from "../schema/outsideScores";
import { people } from "../schema/people";
import { among } from "./people";

export type ScoreListRow = typeof scoreLists.$inferSelect;
export type OutsideScoreRow = typeof outsideScores.$inferSelect;

/** Scores from elsewhere of some students, the oldest first. */
export async function outsideScoresOf(db: Queryable, personIds: readonly string[]): Promise<OutsideScoreRow[]> {
  if (personIds.length === 0) return [];
  return db
    .select(getTableColumns(outsideScores))
    .from(outsideScores)
    .innerJoin(scoreLists, eq(scoreLists.id, outsideScores.listId))
    .where(and(among(outsideScores.personId, personIds), isNull(scoreLists.removedAt)))
    .orderBy(asc(scoreLists.onDay), asc(scoreLists.keptAt));
}

/** The lists of some classes that count, the latest test first, with who brought them in. */
export async function scoreListsOf(db: Queryable, classIds: readonly string[]) {
  return db
    .select({ list: scoreLists, by: people })
    .from(scoreLists)
    .innerJoin(people, eq(people.id, scoreLists.byId))
    .where(and(among(scoreLists.classId, classIds), isNull(scoreLists.removedAt)))
    .orderBy(desc(scoreLists.onDay), desc(scoreLists.keptAt));
}

export async function scoreListById(db: Queryable, id: string): Promise<ScoreListRow | null> {
  const [found] = await db.select().from(scoreLists).where(eq(scoreLists.id, id));
  return found ?? null;
}

export async function scoresOfLists(db: Queryable, listIds: readonly string[]): Promise<OutsideScoreRow[]> {
  if (listIds.length === 0) return [];
  return db.select().from(outsideScores).where(among(outsideScores.listId, listIds));
}
