import "server-only";
import { and, desc, eq, inArray, isNull, or } from "drizzle-orm";
import type { Queryable } from "../queryable";
import { itemOriginals } from "../schema/exchange";
import { itemStandards, items, itemVersions } from "../schema/items";
import { frameworks, skillStandards, standards } from "../schema/library";
import { among } from "./people";

/** Items of a bank that are known by some ids, their own or those of the file that they came from, each with its latest version. */
export async function knownInBank(db: Queryable, bankId: string, ids: readonly string[]) {
  const found = await db
    .select({ id: items.id, outsideId: items.outsideId, version: itemVersions })
    .from(items)
    .innerJoin(itemVersions, eq(itemVersions.itemId, items.id))
    .where(and(eq(items.bankId, bankId), or(among(items.id, ids), among(items.outsideId, ids))))
    .orderBy(desc(itemVersions.number));
  const latest = new Map<string, (typeof found)[number]>();
  for (const one of found) if (!latest.has(one.id)) latest.set(one.id, one);
  return [...latest.values()];
}

/** Standards in use by their codes or the identifiers that files exchange, with the skills that stand under each. */
export async function standardsByName(db: Queryable, codes: readonly string[], caseIds: readonly string[]) {
  return db
    .select({ id: standards.id, code: standards.code, caseId: standards.caseId, skillId: skillStandards.skillId })
    .from(standards)
    .innerJoin(frameworks, eq(frameworks.id, standards.frameworkId))
    .leftJoin(skillStandards, eq(skillStandards.standardId, standards.id))
    .where(
      and(
        inArray(frameworks.status, ["adopted", "draft"]),
        or(among(standards.code, codes), among(standards.caseId, caseIds)),
      ),
    );
}

/** Standards of some items beyond those of their skills, as files name them. */
export const namedStandardsOf = (db: Queryable, itemIds: readonly string[]) =>
  db
    .select({ itemId: itemStandards.itemId, code: standards.code, caseId: standards.caseId })
    .from(itemStandards)
    .innerJoin(standards, eq(standards.id, itemStandards.standardId))
    .where(among(itemStandards.itemId, itemIds));

/** Standards of some skills, as files name them. */
export const namedStandardsOfSkills = (db: Queryable, skillIds: readonly string[]) =>
  db
    .select({ skillId: skillStandards.skillId, code: standards.code, caseId: standards.caseId })
    .from(skillStandards)
    .innerJoin(standards, eq(standards.id, skillStandards.standardId))
    .where(among(skillStandards.skillId, skillIds));

/** The documents that some versions were read from. */
export const originalsOf = (db: Queryable, versionIds: readonly string[]) =>
  db.select().from(itemOriginals).where(among(itemOriginals.versionId, versionIds));

/** Items of a bank that are in use. */
export const itemIdsOfBank = (db: Queryable, bankId: string) =>
  db
    .select({ id: items.id })
    .from(items)
    .where(and(eq(items.bankId, bankId), isNull(items.retiredAt)))
    .orderBy(items.id);
