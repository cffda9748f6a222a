import "server-only";
import { and, eq, or, sql } from "drizzle-orm";
import type { Queryable } from "../queryable";
import { itemEnemies } from "../schema/items";

export type EnemyRow = typeof itemEnemies.$inferSelect;

/** The id of a pair, whichever comes first. */
export const pairId = (one: string, other: string): string => [one, other].sort().join("|");

/** Pairs of which both are among some items, those that were let together again too. */
export async function pairsAmong(db: Queryable, itemIds: readonly string[]): Promise<EnemyRow[]> {
  const among = sql`(select value from json_each(${JSON.stringify(itemIds)}))`;
  return db
    .select()
    .from(itemEnemies)
    .where(and(sql`${itemEnemies.itemId} in ${among}`, sql`${itemEnemies.enemyId} in ${among}`));
}

/** Items that are not given together with one. */
export async function enemiesOf(db: Queryable, itemId: string): Promise<string[]> {
  const rows = await db
    .select()
    .from(itemEnemies)
    .where(and(eq(itemEnemies.apart, true), or(eq(itemEnemies.itemId, itemId), eq(itemEnemies.enemyId, itemId))));
  return rows.map((row) => (row.itemId === itemId ? row.enemyId : row.itemId));
}
