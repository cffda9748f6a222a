import "server-only";
import { and, asc, desc, eq, inArray, sql } from "drizzle-orm";
import type { Queryable } from "../queryable";
import { itemSkills, itemStandards, items, itemVersions } from "../schema/items";
import { standards } from "../schema/library";
import { people } from "../schema/people";
import { among } from "./people";

export type ItemRow = typeof items.$inferSelect;
export type VersionRow = typeof itemVersions.$inferSelect;

export const itemsById = (db: Queryable, ids: readonly string[]) =>
  ids.length === 0 ? Promise.resolve([]) : db.select().from(items).where(among(items.id, ids));

/** The versions of an item, the latest first, with who wrote each. */
export async function versionsOfItem(db: Queryable, itemId: string) {
  return db
    .select({ version: itemVersions, givenName: people.givenName, familyName: people.familyName })
    .from(itemVersions)
    .leftJoin(people, eq(people.id, itemVersions.authorId))
    .where(eq(itemVersions.itemId, itemId))
    .orderBy(desc(itemVersions.number));
}

/** The current ready versions of some items. */
export async function currentVersions(db: Queryable, itemIds: readonly string[]): Promise<VersionRow[]> {
  const current = sql`(select max(v.number) from item_versions v where v.item_id = ${itemVersions.itemId} and v.status = 'ready')`;
  return itemIds.length === 0
    ? []
    : db
        .select()
        .from(itemVersions)
        .where(and(among(itemVersions.itemId, itemIds), eq(itemVersions.number, current)));
}

/** Whether a version was given to anybody, or is part of work: then it stays as it is. */
export async function isGiven(db: Queryable, versionId: string): Promise<boolean> {
  const [found] = await db.all<{ given: number }>(
    sql`select exists (select 1 from sitting_items where version_id = ${versionId})
          or exists (select 1 from part_items where version_id = ${versionId}) as given`,
  );
  return found?.given === 1;
}

/** How many students met each of some versions. */
export async function studentsByVersion(db: Queryable, versionIds: readonly string[]) {
  if (versionIds.length === 0) return [];
  return db.all<{ versionId: string; students: number }>(
    sql`select si.version_id as versionId, count(distinct t.person_id) as students
        from sitting_items si join sittings s on s.id = si.sitting_id join assignment_targets t on t.id = s.target_id
        where si.version_id in (select value from json_each(${JSON.stringify(versionIds)})) and si.state in ('open', 'done')
        group by si.version_id`,
  );
}

export const skillRowsOf = (db: Queryable, itemIds: readonly string[]) =>
  db
    .select()
    .from(itemSkills)
    .where(inArray(itemSkills.itemId, [...itemIds]))
    .orderBy(asc(itemSkills.itemId), asc(itemSkills.place));

export const standardRowsOf = (db: Queryable, itemIds: readonly string[]) =>
  db
    .select()
    .from(itemStandards)
    .where(inArray(itemStandards.itemId, [...itemIds]));

/** Those of some standards that are there. */
export const standardsById = (db: Queryable, ids: readonly string[]) =>
  ids.length === 0 ? Promise.resolve([]) : db.select().from(standards).where(among(standards.id, ids));

/** A new draft, with its item where that is new. */
export async function insertDraft(
  tx: Queryable,
  {
    item,
    version,
  }: {
    readonly item: typeof items.$inferInsert;
    readonly version: Omit<typeof itemVersions.$inferInsert, "itemId" | "status" | "contentHash">;
  },
): Promise<void> {
  await tx.insert(items).values(item).onConflictDoNothing();
  await tx.insert(itemVersions).values({ ...version, itemId: item.id, status: "draft", contentHash: "" });
}

export async function updateDraft(
  tx: Queryable,
  versionId: string,
  values: Partial<typeof itemVersions.$inferInsert>,
): Promise<void> {
  await tx.update(itemVersions).set(values).where(eq(itemVersions.id, versionId));
}

/** Takes a draft that nobody was given out again; the item too where it has nothing else. */
export async function deleteDraft(tx: Queryable, versionId: string, itemId: string): Promise<void> {
  await tx.delete(itemVersions).where(eq(itemVersions.id, versionId));
  const [left] = await tx
    .select({ id: itemVersions.id })
    .from(itemVersions)
    .where(eq(itemVersions.itemId, itemId))
    .limit(1);
  if (!left) await tx.delete(items).where(eq(items.id, itemId));
}
