import "server-only";
import { eq, sql } from "drizzle-orm";
import type { Queryable } from "../queryable";
import { type frameworks, standards } from "../schema/library";
import { among } from "./people";

export type FrameworkRow = typeof frameworks.$inferSelect;
export type StandardRow = typeof standards.$inferSelect;

/** Every standard that a framework ever had, those that are gone included, in the order of its tree. */
export const allStandardsOf = (db: Queryable, frameworkId: string): Promise<StandardRow[]> =>
  db.select().from(standards).where(eq(standards.frameworkId, frameworkId)).orderBy(standards.place);

/** Standards by the identifiers that files exchange. */
export const standardsByCaseId = (db: Queryable, caseIds: readonly string[]) =>
  db.select({ id: standards.id, caseId: standards.caseId }).from(standards).where(among(standards.caseId, caseIds));

/** Those of some standards that a skill, an item or a tie of another framework stands on. */
export async function standardsInUse(db: Queryable, ids: readonly string[], frameworkId: string): Promise<Set<string>> {
  const wanted = sql`(select value from json_each(${JSON.stringify(ids)}))`;
  const rows = await db.all<{ id: string }>(
    sql`select standard_id as id from skill_standards where standard_id in ${wanted}
        union select standard_id from item_standards where standard_id in ${wanted}
        union select from_id from standard_links where from_id in ${wanted} and source <> ${frameworkId}
        union select to_id from standard_links where to_id in ${wanted} and source <> ${frameworkId}`,
  );
  return new Set(rows.map(({ id }) => id));
}
