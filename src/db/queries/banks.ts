import "server-only";
import { asc, eq, inArray, or, sql } from "drizzle-orm";
import type { Queryable } from "../queryable";
import { bankRights, banks } from "../schema/banks";
import { itemCards } from "../schema/itemCards";
import { people, schools } from "../schema/people";
import { among } from "./people";

export type BankRow = typeof banks.$inferSelect;
export type BankRightRow = typeof bankRights.$inferSelect;

/** A bank with whose it is. */
export interface OwnedBank extends BankRow {
  readonly ownerLeft: boolean;
}

const owned = (db: Queryable) =>
  db
    .select({ bank: banks, ownerLeft: sql<number>`coalesce(${people.archivedAt} is not null, 0)` })
    .from(banks)
    .leftJoin(people, eq(people.id, banks.ownerId));

const withOwner = ({ bank, ownerLeft }: { bank: BankRow; ownerLeft: number }): OwnedBank => ({
  ...bank,
  ownerLeft: ownerLeft === 1,
});

/** Banks by their ids, those put away included. */
export async function banksById(db: Queryable, ids: readonly string[]): Promise<OwnedBank[]> {
  return ids.length === 0 ? [] : (await owned(db).where(among(banks.id, ids))).map(withOwner);
}

/** Banks that somebody may have to do with: of these schools, of the person, or opened to either. */
export async function banksAround(db: Queryable, personId: string, schoolIds: readonly string[]): Promise<OwnedBank[]> {
  const opened = db
    .select({ id: bankRights.bankId })
    .from(bankRights)
    .where(or(eq(bankRights.personId, personId), inArray(bankRights.schoolId, [...schoolIds])));
  const found = await owned(db)
    .where(or(eq(banks.ownerId, personId), inArray(banks.schoolId, [...schoolIds]), inArray(banks.id, opened)))
    .orderBy(asc(banks.name), asc(banks.id));
  return found.map(withOwner);
}

export async function rightsOfBanks(db: Queryable, bankIds: readonly string[]): Promise<BankRightRow[]> {
  return bankIds.length === 0 ? [] : db.select().from(bankRights).where(among(bankRights.bankId, bankIds));
}

/** The rights to a bank with the names of those who have them. */
export async function namedRightsOf(db: Queryable, bankId: string) {
  return db
    .select({
      right: bankRights,
      givenName: people.givenName,
      familyName: people.familyName,
      hasLeft: sql<number>`coalesce(${people.archivedAt} is not null, 0)`,
      school: schools.name,
    })
    .from(bankRights)
    .leftJoin(people, eq(people.id, bankRights.personId))
    .leftJoin(schools, eq(schools.id, bankRights.schoolId))
    .where(eq(bankRights.bankId, bankId))
    .orderBy(asc(bankRights.level), asc(bankRights.id));
}

/** How many items stand in each of some banks, by status; retired ones are left out. */
export async function itemsInBanks(db: Queryable, bankIds: readonly string[]) {
  if (bankIds.length === 0) return [];
  return db
    .select({ bankId: itemCards.bankId, status: itemCards.status, items: sql<number>`count(*)` })
    .from(itemCards)
    .where(sql`${among(itemCards.bankId, bankIds)} and ${itemCards.retired} = 0`)
    .groupBy(itemCards.bankId, itemCards.status);
}
