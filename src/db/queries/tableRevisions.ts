import "server-only";
import { asc, inArray, sql } from "drizzle-orm";
import type { Queryable } from "../queryable";
import { revisions } from "../schema/history";
import { oldRowsOf } from "../writerQueue";

/** What the library is made of: together their counts are its revision. */
export const LIBRARY_TABLES = [
  "subjects",
  "frameworks",
  "standards",
  "standard_links",
  "followed_frameworks",
  "skills",
  "skill_standards",
  "skill_links",
  "misconceptions",
  "units",
  "unit_skills",
  "items",
  "item_versions",
  "item_skills",
  "item_standards",
  "item_parameters",
  "passages",
  "passage_versions",
  "banks",
] as const;

/** Tables that every process keeps in memory and that seldom change: each commit that writes one is counted. */
const COUNTED: ReadonlySet<string> = new Set([
  "schools",
  "terms",
  "holidays",
  ...LIBRARY_TABLES,
  "assignments",
  "assignment_targets",
  oldRowsOf("assignments"),
  oldRowsOf("assignment_targets"),
]);

export const countedAmong = (tables: Iterable<string>): string[] => [...tables].filter((name) => COUNTED.has(name));

const idOf = (table: string) => `table:${table}`;

/** Counts a commit that writes such tables, inside it. */
export async function countTables(tx: Queryable, tables: Iterable<string>): Promise<void> {
  for (const table of countedAmong(tables))
    await tx
      .insert(revisions)
      .values({ id: idOf(table), number: 1 })
      .onConflictDoUpdate({ target: revisions.id, set: { number: sql`${revisions.number} + 1` } });
}

/** A word for the state of such tables, whichever process wrote them last. */
export async function stateOfTables(db: Queryable, tables: readonly string[]): Promise<string> {
  const rows = await db
    .select()
    .from(revisions)
    .where(inArray(revisions.id, countedAmong(tables).map(idOf)))
    .orderBy(asc(revisions.id));
  return rows.map(({ id, number }) => `${id}@${number}`).join(" ");
}
