import "server-only";
import { and, eq, gte, inArray, isNotNull, isNull, lt, ne, or, sql } from "drizzle-orm";
import { alias } from "drizzle-orm/sqlite-core";
import type { Queryable } from "../queryable";
import { weekExpectations } from "../schema/evidence";
import { signIns } from "../schema/history";
import { itemVersions } from "../schema/items";
import { answers, lessonVisits, scores, sittingItems, sittings } from "../schema/sittings";
import { skillStates } from "../schema/summaries";
import { assignments, assignmentTargets, parts } from "../schema/work";
import { among } from "./people";

/** What some classes are expected to do in a week; classes of which nobody said it are missing. */
export async function expectationsOf(db: Queryable, classIds: readonly string[]) {
  return db.select().from(weekExpectations).where(among(weekExpectations.classId, classIds));
}

interface Instants {
  readonly from: number;
  /** Not in it any more. */
  readonly until: number;
}

/** When some people came in at the doors between two instants. */
export async function signInsBetween(db: Queryable, personIds: readonly string[], { from, until }: Instants) {
  if (personIds.length === 0) return [];
  return db
    .selectDistinct({ personId: signIns.personId, at: signIns.at })
    .from(signIns)
    .where(
      and(
        among(signIns.personId, personIds),
        eq(signIns.kind, "signed-in"),
        gte(signIns.at, from),
        lt(signIns.at, until),
      ),
    );
}

/** Runs of some people that were finished, or worked on last, between two instants; of work that was given, chosen or in a plan. */
export async function runsBetween(db: Queryable, personIds: readonly string[], { from, until }: Instants) {
  if (personIds.length === 0) return [];
  const between = (column: typeof sittings.finishedAt | typeof sittings.lastAt) =>
    and(gte(column, from), lt(column, until));
  return db
    .select({
      id: sittings.id,
      personId: assignmentTargets.personId,
      assignmentId: assignments.id,
      classId: assignments.classId,
      partId: sittings.partId,
      kind: parts.kind,
      settings: parts.settings,
      startedAt: sittings.startedAt,
      finishedAt: sittings.finishedAt,
      lastAt: sittings.lastAt,
      itemsDone: sittings.itemsDone,
      itemsRight: sittings.itemsRight,
      activeMilliseconds: sittings.activeMilliseconds,
    })
    .from(assignmentTargets)
    .innerJoin(sittings, eq(sittings.targetId, assignmentTargets.id))
    .innerJoin(parts, eq(parts.id, sittings.partId))
    .innerJoin(assignments, eq(assignments.id, assignmentTargets.assignmentId))
    .where(
      and(
        among(assignmentTargets.personId, personIds),
        eq(assignments.isTrial, false),
        or(between(sittings.finishedAt), between(sittings.lastAt)),
      ),
    );
}
export type RunBetween = Awaited<ReturnType<typeof runsBetween>>[number];

/** How many items of which skill were scored in some runs. */
export async function scoredSkillsOf(db: Queryable, sittingIds: readonly string[]) {
  if (sittingIds.length === 0) return [];
  return db
    .select({ sittingId: sittingItems.sittingId, skillId: sittingItems.skillId, items: sql<number>`count(*)` })
    .from(sittingItems)
    .where(and(among(sittingItems.sittingId, sittingIds), isNotNull(sittingItems.earned)))
    .groupBy(sittingItems.sittingId, sittingItems.skillId);
}

/** Every item that was tried in some runs, with the time of its first try. */
export async function triedInRuns(db: Queryable, sittingIds: readonly string[]) {
  if (sittingIds.length === 0) return [];
  return db
    .select({
      sittingId: sittingItems.sittingId,
      skillId: sittingItems.skillId,
      versionId: sittingItems.versionId,
      itemId: itemVersions.itemId,
      earned: sittingItems.earned,
      possible: sittingItems.possible,
      tries: sittingItems.tries,
      hints: sittingItems.hints,
      milliseconds: answers.milliseconds,
    })
    .from(sittingItems)
    .innerJoin(itemVersions, eq(itemVersions.id, sittingItems.versionId))
    .innerJoin(answers, and(eq(answers.sittingItemId, sittingItems.id), eq(answers.tryNumber, 1)))
    .where(and(among(sittingItems.sittingId, sittingIds), ne(sittingItems.state, "reserve")));
}
export type TriedItem = Awaited<ReturnType<typeof triedInRuns>>[number];

/** What each scored part of an item was worth at the first try in some runs, with the parameters in force; scores that others took the place of are left out. */
export async function firstScoresOf(db: Queryable, sittingIds: readonly string[]) {
  if (sittingIds.length === 0) return [];
  const later = alias(scores, "later");
  return db
    .select({
      sittingId: sittingItems.sittingId,
      skillId: scores.skillId,
      earned: scores.earned,
      possible: scores.possible,
      skillDifficulty: scores.skillDifficulty,
      a: scores.a,
      b: scores.b,
      c: scores.c,
    })
    .from(sittingItems)
    .innerJoin(answers, and(eq(answers.sittingItemId, sittingItems.id), eq(answers.tryNumber, 1)))
    .innerJoin(scores, eq(scores.answerSerial, answers.serial))
    .leftJoin(later, eq(later.supersedes, scores.serial))
    .where(and(among(sittingItems.sittingId, sittingIds), isNull(later.serial)));
}

/** When some people were last seen: came in at a door, and answered; who never did either is missing. */
export async function lastSeenOf(db: Queryable, personIds: readonly string[]) {
  const seen = new Map<string, { at: number | null; day: number | null }>();
  if (personIds.length === 0) return seen;
  const [came, answered] = await Promise.all([
    db
      .select({ personId: signIns.personId, at: sql<number>`max(${signIns.at})` })
      .from(signIns)
      .where(and(among(signIns.personId, personIds), eq(signIns.kind, "signed-in")))
      .groupBy(signIns.personId),
    db
      .select({ personId: skillStates.personId, day: sql<number>`max(${skillStates.lastDay})` })
      .from(skillStates)
      .where(among(skillStates.personId, personIds))
      .groupBy(skillStates.personId),
  ]);
  for (const { personId, at } of came) seen.set(personId, { at, day: null });
  for (const { personId, day } of answered) seen.set(personId, { at: seen.get(personId)?.at ?? null, day });
  return seen;
}

/** Which lessons were opened in some runs, and whether their model was moved. */
export async function lessonsInRuns(db: Queryable, sittingIds: readonly string[]) {
  if (sittingIds.length === 0) return [];
  return db
    .select({
      sittingId: lessonVisits.sittingId,
      skillId: lessonVisits.skillId,
      moved: sql<number>`max(${lessonVisits.modelMoves} > 0)`,
      milliseconds: sql<number>`sum(${lessonVisits.milliseconds})`,
    })
    .from(lessonVisits)
    .where(inArray(lessonVisits.sittingId, [...sittingIds]))
    .groupBy(lessonVisits.sittingId, lessonVisits.skillId);
}

/** Snags of some people that are open, or were open on or after a day. */
export async function snagsSince(db: Queryable, personIds: readonly string[], fromDay: number) {
  if (personIds.length === 0) return [];
  return db
    .select({
      personId: skillStates.personId,
      skillId: skillStates.skillId,
      snagDay: skillStates.snagDay,
      snagClearedDay: skillStates.snagClearedDay,
      snagTimes: skillStates.snagTimes,
      mastery: skillStates.mastery,
      learning: skillStates.learning,
      scoredAnswers: skillStates.scoredAnswers,
      rightFirstTries: skillStates.rightFirstTries,
      lastDay: skillStates.lastDay,
    })
    .from(skillStates)
    .where(
      and(
        among(skillStates.personId, personIds),
        isNotNull(skillStates.snagDay),
        sql`(${skillStates.snagClearedDay} is null or ${skillStates.snagClearedDay} >= ${fromDay})`,
      ),
    );
}
