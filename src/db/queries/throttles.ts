import "server-only";
import { and, eq, lte, sql } from "drizzle-orm";
import type { Queryable } from "../queryable";
import { throttles } from "../schema/access";

export async function triesAt(db: Queryable, kind: string, key: string) {
  const [row] = await db
    .select()
    .from(throttles)
    .where(and(eq(throttles.kind, kind), eq(throttles.key, key)));
  return row ?? null;
}

export async function setTries(tx: Queryable, row: typeof throttles.$inferInsert): Promise<void> {
  const { count, lastAt, forgetAt } = row;
  await tx
    .insert(throttles)
    .values(row)
    .onConflictDoUpdate({ target: [throttles.kind, throttles.key], set: { count, lastAt, forgetAt } });
}

export async function dropTries(tx: Queryable, kind: string, key: string): Promise<void> {
  await tx.delete(throttles).where(and(eq(throttles.kind, kind), eq(throttles.key, key)));
}

/** Takes away some rows that say nothing any more. */
export async function forgetOldTries(tx: Queryable, now: number, most: number): Promise<void> {
  const old = tx.select({ id: sql`rowid` }).from(throttles).where(lte(throttles.forgetAt, now)).limit(most);
  await tx.delete(throttles).where(sql`rowid in ${old}`);
}

/** Forgets the wrong tries at some doors, wherever they came from. */
export async function forgetTriesOf(tx: Queryable, owners: readonly string[]): Promise<void> {
  const owner = sql<string>`substr(${throttles.key}, 1, instr(${throttles.key} || '|', '|') - 1)`;
  await tx.delete(throttles).where(sql`${owner} in (select value from json_each(${JSON.stringify(owners)}))`);
}
