import "server-only";
import { asc, eq, inArray, isNull, sql } from "drizzle-orm";
import { insertMany } from "../manyRows";
import type { Queryable } from "../queryable";
import { itemCards } from "../schema/itemCards";
import { itemSkills, itemStandards, items, itemVersions } from "../schema/items";
import { skillStandards, standards } from "../schema/library";

export type ItemCardRow = typeof itemCards.$inferSelect;

/** Items without a card that have a version, each with the one that counts: the latest ready one, or else the latest draft. */
export async function itemsWithoutCard(db: Queryable, most: number) {
  const counts = sql`(select v.id from item_versions v where v.item_id = ${items.id} order by v.status = 'ready' desc, v.number desc limit 1)`;
  return db
    .select({ item: items, version: itemVersions })
    .from(items)
    .innerJoin(itemVersions, eq(itemVersions.id, counts))
    .leftJoin(itemCards, eq(itemCards.itemId, items.id))
    .where(isNull(itemCards.itemId))
    .orderBy(asc(items.id))
    .limit(most);
}

/** Skills of some items, the first of each first. */
export const skillsOfItems = (db: Queryable, itemIds: readonly string[]) =>
  db
    .select()
    .from(itemSkills)
    .where(inArray(itemSkills.itemId, [...itemIds]))
    .orderBy(asc(itemSkills.itemId), asc(itemSkills.place));

/** Codes of the standards that items are written for themselves. */
export const standardsOfItems = (db: Queryable, itemIds: readonly string[]) =>
  db
    .select({
      itemId: itemStandards.itemId,
      standardId: standards.id,
      code: standards.code,
      statement: standards.statement,
      gradeLow: standards.gradeLow,
    })
    .from(itemStandards)
    .innerJoin(standards, eq(standards.id, itemStandards.standardId))
    .where(inArray(itemStandards.itemId, [...itemIds]))
    .orderBy(asc(itemStandards.itemId), asc(standards.place));

/** Codes of the standards of some skills. */
export const codesOfSkills = (db: Queryable, skillIds: readonly string[]) =>
  db
    .select({ skillId: skillStandards.skillId, code: standards.code })
    .from(skillStandards)
    .innerJoin(standards, eq(standards.id, skillStandards.standardId))
    .where(inArray(skillStandards.skillId, [...skillIds]));

/** Puts cards in with the words that they are found by. */
export async function putCards(
  tx: Queryable,
  cards: readonly { readonly card: Omit<ItemCardRow, "number">; readonly words: string }[],
): Promise<void> {
  if (cards.length === 0) return;
  await insertMany(
    tx,
    itemCards,
    cards.map(({ card }) => card),
  );
  const words = JSON.stringify(cards.map(({ card, words: text }) => [card.itemId, text]));
  await tx.run(
    sql`insert into item_words (rowid, words) select c.number, json_extract(j.value, '$[1]')
        from json_each(${words}) j join item_cards c on c.item_id = json_extract(j.value, '$[0]')`,
  );
}
