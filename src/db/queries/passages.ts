import "server-only";
import { and, asc, desc, eq, isNotNull, isNull, or, sql } from "drizzle-orm";
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

const isCurrent = eq(
  passageVersions.number,
  sql`(select max(v.number) from passage_versions v where v.passage_id = ${passageVersions.passageId})`,
);

/** The words of some passages as they are read now. */
export const currentWords = (db: Queryable, ids: readonly string[]): Promise<PassageVersionRow[]> =>
  ids.length === 0
    ? Promise.resolve([])
    : db
        .select()
        .from(passageVersions)
        .where(and(among(passageVersions.passageId, ids), isCurrent));

/** The versions of a passage, the latest first, with who wrote each. */
export const versionsOfPassage = (db: Queryable, passageId: string) =>
  db
    .select({ version: passageVersions, givenName: people.givenName, familyName: people.familyName })
    .from(passageVersions)
    .leftJoin(people, eq(people.id, passageVersions.authorId))
    .where(eq(passageVersions.passageId, passageId))
    .orderBy(desc(passageVersions.number));

/** Whether a passage is offered to somebody with these banks. */
const isOffered = (bankIds: readonly string[]) =>
  and(isNull(passages.retiredAt), or(isNull(passages.bankId), among(passages.bankId, bankIds)));

/**
 * Passages of the stock and of some banks, with how many items hang on each that somebody with these banks sees, those with the most
 * first: items in use, and drafts of the banks that they may change.
 */
export async function passagesOfBanks(
  db: Queryable,
  { bankIds, draftBankIds }: { readonly bankIds: readonly string[]; readonly draftBankIds: readonly string[] },
) {
  const { passageId, retired, bankId, status } = itemCards;
  const hanging = sql<number>`(select count(*) from ${itemCards} where ${passageId} = ${passages.id} and ${retired} = 0
    and (${bankId} is null or ${among(bankId, bankIds)}) and (${status} = 'ready' or ${among(bankId, draftBankIds)}))`;
  return db
    .select({ passage: passages, version: passageVersions, items: hanging })
    .from(passages)
    .innerJoin(passageVersions, and(eq(passageVersions.passageId, passages.id), isCurrent))
    .where(isOffered(bankIds))
    .orderBy(desc(hanging), asc(passageVersions.title));
}

/** Passages of some banks that are offered no more, by their titles. */
export const retiredPassages = (db: Queryable, bankIds: readonly string[]) =>
  db
    .select({ id: passages.id, bankId: passages.bankId, title: passageVersions.title })
    .from(passages)
    .innerJoin(passageVersions, and(eq(passageVersions.passageId, passages.id), isCurrent))
    .where(and(isNotNull(passages.retiredAt), among(passages.bankId, bankIds)))
    .orderBy(asc(passageVersions.title));

/** What the passages of the stock and of some banks are called, by their titles. */
export const titlesOfPassages = (db: Queryable, bankIds: readonly string[]) =>
  db
    .select({ id: passages.id, title: passageVersions.title })
    .from(passages)
    .innerJoin(passageVersions, and(eq(passageVersions.passageId, passages.id), isCurrent))
    .where(isOffered(bankIds))
    .orderBy(asc(passageVersions.title));

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
