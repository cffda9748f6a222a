import "server-only";
import { and, asc, desc, eq, inArray, isNull, or, sql } from "drizzle-orm";
import type { Queryable } from "../queryable";
import { itemCards } from "../schema/itemCards";
import { items, itemVersions } from "../schema/items";
import { passages, passageVersions } from "../schema/passages";
import { people } from "../schema/people";
import { among } from "./people";

export type PassageRow = typeof passages.$inferSelect;
export type PassageVersionRow = typeof passageVersions.$inferSelect;

export const passagesById = (db: Queryable, ids: readonly string[]): Promise<PassageRow[]> =>
  ids.length === 0 ? Promise.resolve([]) : db.select().from(passages).where(among(passages.id, ids));

/** Passages of a bank by their ids, their own or those of the file that they came from. */
export const passagesInBank = (db: Queryable, bankId: string, ids: readonly string[]): Promise<PassageRow[]> =>
  ids.length === 0
    ? Promise.resolve([])
    : db
        .select()
        .from(passages)
        .where(and(eq(passages.bankId, bankId), or(among(passages.id, ids), among(passages.outsideId, ids))));

/** The words of some passages as they are read now. */
export async function currentWords(db: Queryable, ids: readonly string[]): Promise<PassageVersionRow[]> {
  const latest = sql`(select max(v.number) from passage_versions v where v.passage_id = ${passageVersions.passageId})`;
  return ids.length === 0
    ? []
    : db
        .select()
        .from(passageVersions)
        .where(and(among(passageVersions.passageId, ids), eq(passageVersions.number, latest)));
}

/** The versions of a passage, the latest first, with who wrote each. */
export const versionsOfPassage = (db: Queryable, passageId: string) =>
  db
    .select({ version: passageVersions, givenName: people.givenName, familyName: people.familyName })
    .from(passageVersions)
    .leftJoin(people, eq(people.id, passageVersions.authorId))
    .where(eq(passageVersions.passageId, passageId))
    .orderBy(desc(passageVersions.number));

/** Passages of the stock and of some banks with how many items hang on each, those with the most first. */
export async function passagesOfBanks(db: Queryable, bankIds: readonly string[]) {
  const latest = sql`(select max(v.number) from passage_versions v where v.passage_id = ${passages.id})`;
  const hanging = sql<number>`(select count(*) from item_cards c join item_versions v on v.id = c.version_id
    where v.passage_id = ${passages.id} and c.retired = 0)`;
  return db
    .select({ passage: passages, version: passageVersions, items: hanging })
    .from(passages)
    .innerJoin(passageVersions, and(eq(passageVersions.passageId, passages.id), eq(passageVersions.number, latest)))
    .where(and(isNull(passages.retiredAt), or(isNull(passages.bankId), inArray(passages.bankId, [...bankIds]))))
    .orderBy(desc(hanging), asc(passageVersions.title));
}

/** Items that hang on a passage as they stand now, with the bank of each. */
export const itemsOnPassage = (db: Queryable, passageId: string) =>
  db
    .select({
      id: items.id,
      bankId: items.bankId,
      line: itemCards.line,
      kind: itemCards.kind,
      status: itemCards.status,
    })
    .from(itemCards)
    .innerJoin(items, eq(items.id, itemCards.itemId))
    .innerJoin(itemVersions, eq(itemVersions.id, itemCards.versionId))
    .where(and(eq(itemVersions.passageId, passageId), isNull(items.retiredAt)))
    .orderBy(asc(itemCards.number));
