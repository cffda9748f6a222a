import "server-only";
import { and, asc, desc, eq, isNull, lte, sql } from "drizzle-orm";
import type { Queryable } from "../queryable";
import { itemParameters, itemSkills, items, itemVersions } from "../schema/items";
import {
  frameworks,
  misconceptions,
  skillLinks,
  skillStandards,
  skills,
  standardLinks,
  standards,
  subjects,
} from "../schema/library";
import { among } from "./people";

export type ItemVersionRow = typeof itemVersions.$inferSelect;

export const allSubjects = (db: Queryable) => db.select().from(subjects).orderBy(asc(subjects.id));
export const allFrameworks = (db: Queryable) => db.select().from(frameworks).orderBy(asc(frameworks.id));
export const allSkillLinks = (db: Queryable) => db.select().from(skillLinks);
export const allMisconceptions = (db: Queryable) => db.select().from(misconceptions);

/** All skills in teaching order, without what is taught in them. */
export async function allSkills(db: Queryable) {
  return db
    .select({
      id: skills.id,
      subjectId: skills.subjectId,
      strand: skills.strand,
      name: skills.name,
      studentName: skills.studentName,
      grade: skills.grade,
      difficulty: skills.difficulty,
    })
    .from(skills)
    .where(isNull(skills.retiredAt))
    .orderBy(asc(skills.subjectId), asc(skills.place));
}

/** The standards that skills belong to, in the frameworks' order. */
export async function standardsOfSkills(db: Queryable) {
  return db
    .select({
      skillId: skillStandards.skillId,
      frameworkId: standards.frameworkId,
      code: standards.code,
      statement: standards.statement,
    })
    .from(skillStandards)
    .innerJoin(standards, eq(standards.id, skillStandards.standardId))
    .orderBy(asc(standards.frameworkId), asc(standards.place));
}

/** How many items of the stock each skill has that can be given. */
export async function itemCounts(db: Queryable) {
  return db
    .select({ skillId: itemSkills.skillId, items: sql<number>`count(*)` })
    .from(itemSkills)
    .innerJoin(items, eq(items.id, itemSkills.itemId))
    .where(and(isNull(items.retiredAt), isNull(items.bankId)))
    .groupBy(itemSkills.skillId);
}

/** What is taught in a skill; null when there is no such skill. */
export async function skillTexts(db: Queryable, skillId: string) {
  const [found] = await db
    .select({ lesson: skills.lesson, reteach: skills.reteach })
    .from(skills)
    .where(eq(skills.id, skillId));
  return found ?? null;
}

/** The current versions of a skill's items in the stock: what practice draws from. Items of banks are given by hand. */
export async function currentVersionsOf(db: Queryable, skillId: string): Promise<ItemVersionRow[]> {
  const current = sql`(select max(v.number) from item_versions v where v.item_id = ${items.id} and v.status = 'ready')`;
  const rows = await db
    .select({ version: itemVersions })
    .from(itemSkills)
    .innerJoin(items, eq(items.id, itemSkills.itemId))
    .innerJoin(itemVersions, and(eq(itemVersions.itemId, items.id), eq(itemVersions.number, current)))
    .where(and(eq(itemSkills.skillId, skillId), isNull(items.retiredAt), isNull(items.bankId)))
    .orderBy(asc(items.id));
  return rows.map(({ version }) => version);
}

/** The ready versions of an item, the current one last. */
export async function versionNumbersOf(db: Queryable, itemId: string) {
  return db
    .select({ id: itemVersions.id, number: itemVersions.number })
    .from(itemVersions)
    .where(and(eq(itemVersions.itemId, itemId), eq(itemVersions.status, "ready")))
    .orderBy(asc(itemVersions.number));
}

export async function versionsById(db: Queryable, ids: readonly string[]): Promise<ItemVersionRow[]> {
  return ids.length === 0 ? [] : db.select().from(itemVersions).where(among(itemVersions.id, ids));
}

/** Estimates in force of some versions' parameters, the latest first. */
export async function parametersInForce(db: Queryable, versionIds: readonly string[], now: number) {
  return db
    .select()
    .from(itemParameters)
    .where(and(among(itemParameters.versionId, versionIds), lte(itemParameters.inForceFrom, now)))
    .orderBy(desc(itemParameters.inForceFrom), desc(itemParameters.id));
}

/** A framework by its id. */
export async function frameworkById(db: Queryable, id: string) {
  const [found] = await db.select().from(frameworks).where(eq(frameworks.id, id));
  return found ?? null;
}

/** All standards of a framework in the order of its tree. */
export const standardsOfFramework = (db: Queryable, frameworkId: string) =>
  db.select().from(standards).where(eq(standards.frameworkId, frameworkId)).orderBy(asc(standards.place));

/** Skills of a framework's standards. */
export const skillsOfFramework = (db: Queryable, frameworkId: string) =>
  db
    .select({ standardId: skillStandards.standardId, skillId: skills.id, name: skills.name })
    .from(skillStandards)
    .innerJoin(standards, eq(standards.id, skillStandards.standardId))
    .innerJoin(skills, eq(skills.id, skillStandards.skillId))
    .where(and(eq(standards.frameworkId, frameworkId), isNull(skills.retiredAt)))
    .orderBy(asc(skills.place));

/** Ties of a framework's standards, to those of others too. */
export const linksOfFramework = (db: Queryable, frameworkId: string) =>
  db
    .select({ fromId: standardLinks.fromId, toId: standardLinks.toId, kind: standardLinks.kind })
    .from(standardLinks)
    .innerJoin(standards, eq(standards.id, standardLinks.fromId))
    .where(eq(standards.frameworkId, frameworkId))
    .orderBy(asc(standardLinks.fromId), asc(standardLinks.toId), asc(standardLinks.kind));
