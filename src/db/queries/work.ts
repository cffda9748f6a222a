import "server-only";
import { and, asc, count, desc, eq, getTableColumns, isNotNull, isNull, type SQL, sql } from "drizzle-orm";
import type { Queryable } from "../queryable";
import { people } from "../schema/people";
import { planWorks } from "../schema/plan";
import { sittings } from "../schema/sittings";
import {
  assignments,
  assignmentTargets,
  completions,
  furtherTries,
  partItems,
  partOpenings,
  partSkills,
  parts,
  releases,
  works,
} from "../schema/work";
import { among } from "./people";

export type AssignmentRow = typeof assignments.$inferSelect;
export type TargetRow = typeof assignmentTargets.$inferSelect;
export type WorkRow = typeof works.$inferSelect;
export type PartRow = typeof parts.$inferSelect;
export type PartItemRow = typeof partItems.$inferSelect;

/** A piece of work as it was given, with what its first part is. */
const given = {
  ...getTableColumns(assignments),
  schoolId: works.schoolId,
  title: works.title,
  instructions: works.instructions,
  partId: parts.id,
  kind: parts.kind,
  settings: parts.settings,
  partCount: sql<number>`(select count(*) from parts every where every.work_id = ${works.id})`,
  /** The plan that gave it by itself; null for what somebody gave. */
  planId: planWorks.planId,
};
/** Given by somebody to students: neither by a plan that runs by itself or as review, nor by a student to themselves, nor a trial run. */
export const givenBySomebody = and(
  isNull(planWorks.id),
  eq(assignments.isOwnChoice, false),
  eq(assignments.isReview, false),
  eq(assignments.isTrial, false),
) as SQL;
/** Whether a target is through with everything. */
export const ownCompletion = and(
  eq(completions.targetId, assignmentTargets.id),
  // Whoever was given another try is through with it again once that is finished.
  sql`not exists (select 1 from ${furtherTries} where ${furtherTries.targetId} = ${assignmentTargets.id}
    and not exists (select 1 from ${sittings} tried where tried.target_id = ${furtherTries.targetId}
      and tried.part_id = ${furtherTries.partId} and tried.attempt = ${furtherTries.attempt} and tried.finished_at is not null))`,
) as SQL;

export const assignmentsWithWork = (db: Queryable) =>
  db
    .select(given)
    .from(assignments)
    .innerJoin(works, eq(works.id, assignments.workId))
    .innerJoin(parts, and(eq(parts.workId, works.id), eq(parts.place, 0)))
    .leftJoin(planWorks, eq(planWorks.assignmentId, assignments.id));

export type GivenWork = Awaited<ReturnType<typeof assignmentsById>>[number];

export async function assignmentsById(db: Queryable, ids: readonly string[]) {
  return ids.length === 0 ? [] : assignmentsWithWork(db).where(among(assignments.id, ids));
}

export async function assignmentById(db: Queryable, id: string): Promise<GivenWork | null> {
  const [found] = await assignmentsById(db, [id]);
  return found ?? null;
}

/** What some classes were given by somebody and what was not withdrawn, the latest first; no more of it than asked for. */
export async function assignmentsOfClasses(
  db: Queryable,
  classIds: readonly string[],
  most = Number.MAX_SAFE_INTEGER,
): Promise<GivenWork[]> {
  return assignmentsWithWork(db)
    .where(and(among(assignments.classId, classIds), isNull(assignments.withdrawnAt), givenBySomebody))
    .orderBy(desc(assignments.givenAt), desc(assignments.id))
    .limit(most);
}

/** The skills of what was given, over all its parts in order. */
export async function skillIdsOfAssignments(
  db: Queryable,
  assignmentIds: readonly string[],
): Promise<ReadonlyMap<string, readonly string[]>> {
  const byAssignment = new Map<string, string[]>();
  if (assignmentIds.length === 0) return byAssignment;
  const rows = await db
    .select({ assignmentId: assignments.id, skillId: partSkills.skillId })
    .from(assignments)
    .innerJoin(parts, eq(parts.workId, assignments.workId))
    .innerJoin(partSkills, eq(partSkills.partId, parts.id))
    .where(among(assignments.id, assignmentIds))
    .orderBy(asc(parts.place), asc(partSkills.place));
  for (const { assignmentId, skillId } of rows) {
    const own = byAssignment.get(assignmentId) ?? [];
    if (!own.includes(skillId)) byAssignment.set(assignmentId, [...own, skillId]);
  }
  return byAssignment;
}

/** Who was given some assignments. */
export async function personIdsOfAssignments(db: Queryable, assignmentIds: readonly string[]) {
  if (assignmentIds.length === 0) return [];
  return db
    .select({ assignmentId: assignmentTargets.assignmentId, personId: assignmentTargets.personId })
    .from(assignmentTargets)
    .where(among(assignmentTargets.assignmentId, assignmentIds));
}

/** The design of a piece of work; null when there is none. */
export async function workById(db: Queryable, id: string): Promise<WorkRow | null> {
  const [work] = await db.select().from(works).where(eq(works.id, id));
  return work ?? null;
}

/** What some students have open, by skill: begun or not, given by somebody, not through with it. */
export async function openSkillsOf(db: Queryable, personIds: readonly string[], now: number) {
  if (personIds.length === 0) return [];
  return db
    .selectDistinct({ personId: assignmentTargets.personId, skillId: partSkills.skillId, title: works.title })
    .from(assignmentTargets)
    .innerJoin(assignments, eq(assignments.id, assignmentTargets.assignmentId))
    .innerJoin(works, eq(works.id, assignments.workId))
    .innerJoin(parts, eq(parts.workId, works.id))
    .innerJoin(partSkills, eq(partSkills.partId, parts.id))
    .leftJoin(planWorks, eq(planWorks.assignmentId, assignments.id))
    .leftJoin(completions, ownCompletion)
    .where(
      and(
        among(assignmentTargets.personId, personIds),
        isNull(assignments.withdrawnAt),
        eq(assignments.isPrepared, false),
        isNull(assignmentTargets.excusedAt),
        isNull(completions.at),
        givenBySomebody,
        sql`coalesce(coalesce(${assignments.closesAt}, ${assignments.dueAt}) >= ${now}, 1)`,
      ),
    );
}

/** A part of a piece of work; null when there is none. */
export async function partById(db: Queryable, id: string) {
  const [part] = await db.select().from(parts).where(eq(parts.id, id));
  return part ?? null;
}

/** The part that a piece of work begins with. */
export async function firstPartOf(db: Queryable, workId: string) {
  const [part] = await db
    .select()
    .from(parts)
    .where(and(eq(parts.workId, workId), eq(parts.place, 0)));
  return part ?? null;
}

/** Which of some pieces of work have items that were picked by hand, and how many. */
export async function pickedCounts(db: Queryable, workIds: readonly string[]): Promise<ReadonlyMap<string, number>> {
  if (workIds.length === 0) return new Map();
  const rows = await db
    .select({ workId: parts.workId, items: count() })
    .from(partItems)
    .innerJoin(parts, eq(parts.id, partItems.partId))
    .where(among(parts.workId, workIds))
    .groupBy(parts.workId);
  return new Map(rows.map(({ workId, items }) => [workId, items]));
}

export async function skillIdsOfPart(db: Queryable, partId: string): Promise<string[]> {
  const rows = await db
    .select({ skillId: partSkills.skillId })
    .from(partSkills)
    .where(eq(partSkills.partId, partId))
    .orderBy(asc(partSkills.place));
  return rows.map(({ skillId }) => skillId);
}

/** The items of a part that stand from the beginning, in order: of one form, or of all forms one after the other. */
export async function pickedItemsOf(db: Queryable, partId: string, form: string | null): Promise<PartItemRow[]> {
  return db
    .select()
    .from(partItems)
    .where(and(eq(partItems.partId, partId), form === null ? undefined : eq(partItems.form, form)))
    .orderBy(asc(partItems.form), asc(partItems.place));
}

/** All parts of some pieces of work, in order. */
export async function partsOfWorks(db: Queryable, workIds: readonly string[]): Promise<PartRow[]> {
  if (workIds.length === 0) return [];
  return db.select().from(parts).where(among(parts.workId, workIds)).orderBy(asc(parts.workId), asc(parts.place));
}

/** The latest run of some targets at each part. */
export async function runsOfTargets(db: Queryable, targetIds: readonly string[]) {
  if (targetIds.length === 0) return [];
  return db
    .select(getTableColumns(sittings))
    .from(sittings)
    .where(
      and(
        among(sittings.targetId, targetIds),
        sql`${sittings.attempt} = (select max(other.attempt) from sittings other
          where other.target_id = ${sittings.targetId} and other.part_id = ${sittings.partId})`,
      ),
    );
}

/** Parts that a teacher opened for some targets. */
export async function openingsOf(db: Queryable, targetIds: readonly string[]) {
  return targetIds.length === 0 ? [] : db.select().from(partOpenings).where(among(partOpenings.targetId, targetIds));
}

export type FurtherTryRow = typeof furtherTries.$inferSelect;

/** Further tries that some targets were given, in order. */
export async function furtherTriesOf(db: Queryable, targetIds: readonly string[]): Promise<FurtherTryRow[]> {
  if (targetIds.length === 0) return [];
  return db
    .select()
    .from(furtherTries)
    .where(among(furtherTries.targetId, targetIds))
    .orderBy(asc(furtherTries.attempt));
}

/** The marks of all finished runs of some targets, in the order of the tries. */
export async function finishedMarksOf(db: Queryable, targetIds: readonly string[]) {
  if (targetIds.length === 0) return [];
  return db
    .select({ targetId: sittings.targetId, partId: sittings.partId, attempt: sittings.attempt, mark: sittings.mark })
    .from(sittings)
    .where(and(among(sittings.targetId, targetIds), isNotNull(sittings.finishedAt)))
    .orderBy(asc(sittings.attempt));
}

/** What was released of some assignments. */
export async function releasesOf(db: Queryable, assignmentIds: readonly string[]) {
  return assignmentIds.length === 0
    ? []
    : db.select().from(releases).where(among(releases.assignmentId, assignmentIds));
}

/** Notes that a target is through with everything, or that it is not. */
export async function keepCompletion(tx: Queryable, targetId: string, at: number | null): Promise<void> {
  if (at === null) await tx.delete(completions).where(eq(completions.targetId, targetId));
  else await tx.insert(completions).values({ targetId, at }).onConflictDoNothing();
}

/** Notes the day for which the unlock code was given. */
export async function keepUnlocked(tx: Queryable, targetId: string, unlockedDay: string): Promise<void> {
  await tx.update(assignmentTargets).set({ unlockedDay }).where(eq(assignmentTargets.id, targetId));
}

export async function targetOf(db: Queryable, assignmentId: string, personId: string) {
  const [target] = await db
    .select()
    .from(assignmentTargets)
    .where(and(eq(assignmentTargets.assignmentId, assignmentId), eq(assignmentTargets.personId, personId)));
  return target ?? null;
}

/** A run without what only its conductor remembers. */
const { state: _state, ...run } = getTableColumns(sittings);
export type RunRow = Omit<typeof sittings.$inferSelect, "state">;

/** The sitting that tells where a target is: the one begun last, of whatever part. */
export const latestSitting = and(
  eq(sittings.targetId, assignmentTargets.id),
  sql`${sittings.id} = (select other.id from sittings other where other.target_id = ${assignmentTargets.id}
    order by other.started_at desc, other.attempt desc, other.id desc limit 1)`,
) as SQL;

/** Every student of what was given, with the sitting begun last, if any, and when they were through with everything. */
export async function targetsWithSittings(db: Queryable, assignmentIds: readonly string[]) {
  if (assignmentIds.length === 0) return [];
  return db
    .select({ target: assignmentTargets, person: people, sitting: run, throughAt: completions.at })
    .from(assignmentTargets)
    .innerJoin(people, eq(people.id, assignmentTargets.personId))
    .leftJoin(completions, ownCompletion)
    .leftJoin(sittings, latestSitting)
    .where(among(assignmentTargets.assignmentId, assignmentIds))
    .orderBy(asc(people.givenName), asc(people.familyName));
}

/**
 * What a student was given, with the sitting begun last, if any; what is withdrawn or only prepared is left out. What has no due day comes last. With
 * `since`, what was finished or over before that instant is left out too, so that a page does not grow with the years.
 */
export async function worksOfStudent(db: Queryable, personId: string, since: number | null = null) {
  const isOfLate = sql`coalesce(${completions.at}, ${assignmentTargets.excusedAt}, ${since}) >= ${since}
    and (coalesce(${assignments.closesAt}, ${assignments.dueAt}) is null or ${completions.at} is not null
      or max(coalesce(${assignments.closesAt}, ${assignments.dueAt}), coalesce(${assignmentTargets.dueAt}, 0), coalesce(${assignmentTargets.reopenedUntil}, 0)) >= ${since})`;
  return db
    .select({ work: given, target: assignmentTargets, sitting: run, throughAt: completions.at })
    .from(assignmentTargets)
    .innerJoin(assignments, eq(assignments.id, assignmentTargets.assignmentId))
    .innerJoin(works, eq(works.id, assignments.workId))
    .innerJoin(parts, and(eq(parts.workId, works.id), eq(parts.place, 0)))
    .leftJoin(planWorks, eq(planWorks.assignmentId, assignments.id))
    .leftJoin(completions, ownCompletion)
    .leftJoin(sittings, latestSitting)
    .where(
      and(
        eq(assignmentTargets.personId, personId),
        isNull(assignments.withdrawnAt),
        eq(assignments.isPrepared, false),
        since === null ? undefined : isOfLate,
      ),
    )
    .orderBy(sql`${assignments.dueAt} is null`, asc(assignments.dueAt), asc(assignments.id));
}
