import "server-only";
import { and, eq, inArray, isNotNull, isNull, notExists, type SQL, sql } from "drizzle-orm";
import type { WorkKind } from "../../core/model/work";
import type { Queryable } from "../queryable";
import { credentials } from "../schema/access";
import { skills } from "../schema/library";
import { classes, classStaff, enrollments, people } from "../schema/people";
import { planWorks } from "../schema/plan";
import { sittings } from "../schema/sittings";
import { skillDays, skillStates } from "../schema/summaries";
import { assignments, assignmentTargets, completions, partSkills, parts } from "../schema/work";
import { among, enrolledOn, holdsOn } from "./people";
import { givenBySomebody, latestSitting, ownCompletion } from "./work";

/** Counts for the figures of the bend: each is one narrow read, since every page of the desk asks for all of them. */

/** Ids of the students enrolled on a day in any of the classes. */
const studentIdsOf = (db: Queryable, classIds: readonly string[], today: string) =>
  db
    .select({ id: enrollments.personId })
    .from(enrollments)
    .where(and(among(enrollments.classId, classIds), enrolledOn(today)));

export interface RosterCounts {
  readonly students: number;
  readonly locked: number;
  readonly noSignIn: number;
  readonly noClass: number;
}

/** Students of some classes, or of whole schools, and how many of them can't work. */
export async function rosterCounts(
  db: Queryable,
  of: { readonly classIds: readonly string[] } | { readonly schoolIds: readonly string[] },
  today: string,
  now: number,
): Promise<RosterCounts> {
  const placed = db
    .select({ id: enrollments.personId })
    .from(enrollments)
    .innerJoin(classes, eq(classes.id, enrollments.classId))
    .where(and(enrolledOn(today), isNull(classes.archivedAt)));
  const who =
    "classIds" in of
      ? inArray(people.id, studentIdsOf(db, of.classIds, today))
      : and(among(people.schoolId, of.schoolIds), eq(people.kind, "student"));
  const isPlaced = "classIds" in of ? sql`1` : sql`${people.id} in ${placed}`;
  const count = (condition: ReturnType<typeof sql>) => sql<number>`coalesce(sum(${condition}), 0)`;
  const [found] = await db
    .select({
      students: count(sql`1`),
      locked: count(sql`coalesce(${credentials.lockedUntil} > ${now}, 0)`),
      noSignIn: count(sql`${credentials.personId} is null and ${isPlaced}`),
      noClass: count(sql`not ${isPlaced}`),
    })
    .from(people)
    .leftJoin(credentials, eq(credentials.personId, people.id))
    .where(and(who, isNull(people.archivedAt)));
  return found ?? { students: 0, locked: 0, noSignIn: 0, noClass: 0 };
}

/** How many of the classes have nobody who teaches them on a day. */
export async function classesWithoutTeacher(
  db: Queryable,
  of: { readonly classIds: readonly string[] } | { readonly schoolIds: readonly string[] },
  today: string,
): Promise<number> {
  const taught = db
    .select({ one: sql`1` })
    .from(classStaff)
    .innerJoin(people, eq(people.id, classStaff.personId))
    .where(
      and(
        eq(classStaff.classId, classes.id),
        holdsOn(today, classStaff.fromDay, classStaff.untilDay),
        sql`${classStaff.role} <> 'specialist'`,
        isNull(people.archivedAt),
      ),
    );
  const which = "classIds" in of ? among(classes.id, of.classIds) : among(classes.schoolId, of.schoolIds);
  const [found] = await db
    .select({ count: sql<number>`count(*)` })
    .from(classes)
    .where(and(which, isNull(classes.archivedAt), notExists(taught)));
  return found?.count ?? 0;
}

export interface WorkCounts {
  readonly given: number;
  readonly notStarted: number;
  readonly working: number;
  readonly stuck: number;
  readonly finished: number;
}

const total = (condition: SQL) => sql<number>`coalesce(sum(${condition}), 0)`;

/** A student's open snag in one of the skills of what was given, in work that they learn from: more of the same is unlikely to help. */
const snaggedIn = (learnedFrom: readonly WorkKind[]): SQL => sql`exists (select 1 from ${assignments}
  join ${parts} on ${parts.workId} = ${assignments.workId} and ${among(parts.kind, learnedFrom)}
  join ${partSkills} on ${partSkills.partId} = ${parts.id} join ${skillStates} on ${skillStates.skillId} = ${partSkills.skillId}
  where ${assignments.id} = ${assignmentTargets.assignmentId} and ${skillStates.personId} = ${assignmentTargets.personId}
    and ${skillStates.snagDay} is not null and ${skillStates.snagClearedDay} is null)`;
const isRunning = sql`${sittings.id} is not null and ${completions.at} is null`;
const placesIn = (learnedFrom: readonly WorkKind[]) => ({
  given: sql<number>`count(*)`,
  notStarted: total(sql`${sittings.id} is null and ${completions.at} is null`),
  working: total(sql`${isRunning} and not ${snaggedIn(learnedFrom)}`),
  stuck: total(sql`${isRunning} and ${snaggedIn(learnedFrom)}`),
  finished: total(sql`${completions.at} is not null`),
});

/** Students' places in what is open now, over all of it. */
export async function openWorkCounts(
  db: Queryable,
  classIds: readonly string[],
  { now, learnedFrom }: { readonly now: number; readonly learnedFrom: readonly WorkKind[] },
): Promise<WorkCounts & { readonly works: number }> {
  const [found] = await db
    .select({ works: sql<number>`count(distinct ${assignments.id})`, ...placesIn(learnedFrom) })
    .from(assignments)
    .innerJoin(assignmentTargets, eq(assignmentTargets.assignmentId, assignments.id))
    .leftJoin(planWorks, eq(planWorks.assignmentId, assignments.id))
    .leftJoin(completions, ownCompletion)
    .leftJoin(sittings, latestSitting)
    .where(
      and(
        among(assignments.classId, classIds),
        isNull(assignments.withdrawnAt),
        eq(assignments.isPrepared, false),
        isNull(assignmentTargets.excusedAt),
        sql`${assignments.opensAt} <= ${now} and coalesce(coalesce(${assignments.closesAt}, ${assignments.dueAt}) >= ${now}, 1)`,
        givenBySomebody,
      ),
    );
  return found ?? { works: 0, given: 0, notStarted: 0, working: 0, stuck: 0, finished: 0 };
}

/** Students' places in each of some assignments. */
export async function workCounts(
  db: Queryable,
  assignmentIds: readonly string[],
  learnedFrom: readonly WorkKind[],
): Promise<ReadonlyMap<string, WorkCounts>> {
  if (assignmentIds.length === 0) return new Map();
  const rows = await db
    .select({ assignmentId: assignmentTargets.assignmentId, ...placesIn(learnedFrom) })
    .from(assignmentTargets)
    .leftJoin(completions, ownCompletion)
    .leftJoin(sittings, latestSitting)
    .where(and(among(assignmentTargets.assignmentId, assignmentIds), isNull(assignmentTargets.excusedAt)))
    .groupBy(assignmentTargets.assignmentId);
  return new Map(rows.map(({ assignmentId, ...counts }) => [assignmentId, counts]));
}

/** First answers of the classes' students in some subjects from a day on. */
export async function answersSince(
  db: Queryable,
  classIds: readonly string[],
  today: string,
  fromDay: number,
  subjectIds: readonly string[],
): Promise<number> {
  const [found] = await db
    .select({ answered: sql<number>`coalesce(sum(${skillDays.answered}), 0)` })
    .from(skillDays)
    .innerJoin(people, eq(people.id, skillDays.personId))
    .where(
      and(
        inArray(skillDays.personId, studentIdsOf(db, classIds, today)),
        isNull(people.archivedAt),
        sql`${skillDays.day} >= ${fromDay}`,
        inArray(
          skillDays.skillId,
          db.select({ id: skills.id }).from(skills).where(among(skills.subjectId, subjectIds)),
        ),
      ),
    );
  return found?.answered ?? 0;
}

/** What tells whether students have a skill: the few columns of their summaries, for the students of a class. */
export async function planStates(db: Queryable, classId: string, today: string, skillIds: readonly string[]) {
  const states = await db
    .select({
      skillId: skillStates.skillId,
      mastery: skillStates.mastery,
      prior: skillStates.prior,
      lastDay: skillStates.lastDay,
      stabilityDays: skillStates.stabilityDays,
      scoredAnswers: skillStates.scoredAnswers,
      masteredDay: skillStates.masteredDay,
      lostDay: skillStates.lostDay,
    })
    .from(skillStates)
    .innerJoin(people, eq(people.id, skillStates.personId))
    .where(
      and(
        inArray(skillStates.personId, studentIdsOf(db, [classId], today)),
        isNull(people.archivedAt),
        among(skillStates.skillId, skillIds),
      ),
    );
  const { students } = await rosterCounts(db, { classIds: [classId] }, today, 0);
  return { states, students };
}

/** Who has finished which of some assignments, at whatever attempt. */
export async function finishedWorks(db: Queryable, assignmentIds: readonly string[]) {
  if (assignmentIds.length === 0) return [];
  return db
    .selectDistinct({ assignmentId: assignmentTargets.assignmentId, personId: assignmentTargets.personId })
    .from(assignmentTargets)
    .innerJoin(sittings, eq(sittings.targetId, assignmentTargets.id))
    .where(and(among(assignmentTargets.assignmentId, assignmentIds), isNotNull(sittings.finishedAt)));
}
