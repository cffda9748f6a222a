import "server-only";
import { and, asc, desc, eq, isNull, lte, ne, or, sql } from "drizzle-orm";
import { alias } from "drizzle-orm/sqlite-core";
import type { Queryable } from "../queryable";
import { itemParameters, itemSkills, items, itemVersions } from "../schema/items";
import {
  followedFrameworks,
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
      standardId: standards.id,
      frameworkId: standards.frameworkId,
      code: standards.code,
      statement: standards.statement,
    })
    .from(skillStandards)
    .innerJoin(standards, eq(standards.id, skillStandards.standardId))
    .orderBy(asc(standards.frameworkId), asc(standards.place));
}

/** Ties between standards of different frameworks, with the standards at either end. */
export async function crosswalk(db: Queryable) {
  const ties = await db
    .select({ fromId: standardLinks.fromId, toId: standardLinks.toId, kind: standardLinks.kind })
    .from(standardLinks)
    .where(ne(standardLinks.kind, "precedes"));
  const ends = await db
    .select({
      id: standards.id,
      frameworkId: standards.frameworkId,
      code: standards.code,
      statement: standards.statement,
    })
    .from(standards)
    .where(
      among(
        standards.id,
        ties.flatMap(({ fromId, toId }) => [fromId, toId]),
      ),
    );
  return { ties, ends };
}

/** Which framework each school follows in a subject, where it chose one. */
export const allFollowed = (db: Queryable) => db.select().from(followedFrameworks);

/** How many items of the stock each skill has that can be given. */
export async function itemCounts(db: Queryable) {
  return db
    .select({ skillId: itemSkills.skillId, items: sql<number>`count(*)` })
    .from(itemSkills)
    .innerJoin(items, eq(items.id, itemSkills.itemId))
    .where(and(isNull(items.retiredAt), isNull(items.bankId)))
    .groupBy(itemSkills.skillId);
}

/** The plans by which some skills are taught again. */
export async function reteachPlansOf(db: Queryable, skillIds: readonly string[]) {
  if (skillIds.length === 0) return [];
  return db.select({ id: skills.id, reteach: skills.reteach }).from(skills).where(among(skills.id, skillIds));
}

/** What is taught in a skill; null when there is no such skill. */
export async function skillTexts(db: Queryable, skillId: string) {
  const [found] = await db
    .select({ lesson: skills.lesson, teaching: skills.teaching, reteach: skills.reteach })
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
  db
    .select()
    .from(standards)
    .where(and(eq(standards.frameworkId, frameworkId), isNull(standards.retiredAt)))
    .orderBy(asc(standards.place));

/** Ties that a framework brought, or between its standards and those of others, with the identifiers of both ends. */
export async function linksOfFramework(db: Queryable, frameworkId: string) {
  const to = alias(standards, "to_standards");
  return db
    .select({
      id: standardLinks.id,
      caseId: standardLinks.caseId,
      unread: standardLinks.unread,
      source: standardLinks.source,
      kind: standardLinks.kind,
      fromId: standardLinks.fromId,
      fromCaseId: standards.caseId,
      toId: standardLinks.toId,
      toCaseId: to.caseId,
    })
    .from(standardLinks)
    .innerJoin(standards, eq(standards.id, standardLinks.fromId))
    .innerJoin(to, eq(to.id, standardLinks.toId))
    .where(or(eq(standardLinks.source, frameworkId), eq(standards.frameworkId, frameworkId)))
    .orderBy(asc(standardLinks.fromId), asc(standardLinks.toId), asc(standardLinks.kind));
}
