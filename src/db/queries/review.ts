import "server-only";
import { and, asc, desc, eq, gte, isNotNull, isNull, max, or, sql } from "drizzle-orm";
import type { FinishReason } from "@/core/model/work";
import type { Queryable } from "../queryable";
import { reviewSettings, reviewSkills } from "../schema/review";
import { sittingItems, sittings } from "../schema/sittings";
import { skillDays } from "../schema/summaries";
import { assignments, assignmentTargets, parts } from "../schema/work";
import { among } from "./people";

export type ReviewSettingsRow = typeof reviewSettings.$inferSelect;
export type ReviewSkillRow = typeof reviewSkills.$inferSelect;

/** How some classes review, with what their students have that differs. */
export async function reviewSettingsOf(db: Queryable, classIds: readonly string[]): Promise<ReviewSettingsRow[]> {
  return classIds.length === 0 ? [] : db.select().from(reviewSettings).where(among(reviewSettings.classId, classIds));
}

/** Where skills were put by hand in a class: for all of it, and for some of its students. */
export async function reviewSkillsOf(
  db: Queryable,
  classId: string,
  personIds: readonly string[],
): Promise<ReviewSkillRow[]> {
  return db
    .select()
    .from(reviewSkills)
    .where(
      and(
        eq(reviewSkills.classId, classId),
        or(isNull(reviewSkills.personId), among(reviewSkills.personId, personIds)),
      ),
    );
}

/** The assignment by which a class's review is given; null before anybody began one. */
export async function reviewWorkOf(db: Queryable, classId: string): Promise<string | null> {
  const [found] = await db
    .select({ id: assignments.id })
    .from(assignments)
    .where(and(eq(assignments.classId, classId), eq(assignments.isReview, true)));
  return found?.id ?? null;
}

/** When each of some students last began a review of some classes, and whether it is over. */
export async function latestReviews(db: Queryable, classIds: readonly string[], personIds: readonly string[]) {
  if (classIds.length === 0 || personIds.length === 0) return [];
  return db
    .select({
      classId: assignments.classId,
      personId: assignmentTargets.personId,
      // SQLite takes the other columns from the row that has the maximum.
      startedAt: max(sittings.startedAt),
      sittingId: sittings.id,
      assignmentId: assignments.id,
      finishedAt: sittings.finishedAt,
      activeMilliseconds: sittings.activeMilliseconds,
    })
    .from(assignments)
    .innerJoin(assignmentTargets, eq(assignmentTargets.assignmentId, assignments.id))
    .innerJoin(sittings, eq(sittings.targetId, assignmentTargets.id))
    .where(
      and(
        among(assignments.classId, classIds),
        eq(assignments.isReview, true),
        among(assignmentTargets.personId, personIds),
      ),
    )
    .groupBy(assignments.classId, assignmentTargets.personId);
}

/** First tries in a class's reviews since an instant: what was asked of whom, and what it earned. */
export async function reviewTriesSince(db: Queryable, classId: string, personIds: readonly string[], since: number) {
  if (personIds.length === 0) return [];
  return db
    .select({
      personId: assignmentTargets.personId,
      sittingId: sittings.id,
      state: sittings.state,
      startedAt: sittings.startedAt,
      skillId: sittingItems.skillId,
      earned: sittingItems.earned,
      possible: sittingItems.possible,
    })
    .from(assignments)
    .innerJoin(assignmentTargets, eq(assignmentTargets.assignmentId, assignments.id))
    .innerJoin(sittings, eq(sittings.targetId, assignmentTargets.id))
    .innerJoin(sittingItems, eq(sittingItems.sittingId, sittings.id))
    .where(
      and(
        eq(assignments.classId, classId),
        eq(assignments.isReview, true),
        among(assignmentTargets.personId, personIds),
        gte(sittings.startedAt, since),
        isNotNull(sittingItems.earned),
      ),
    )
    .orderBy(asc(sittings.startedAt), asc(sittingItems.place));
}

/** Time and items of some students since an instant, by kind of work. */
export async function timeByKind(db: Queryable, personIds: readonly string[], since: number) {
  if (personIds.length === 0) return [];
  return db
    .select({
      kind: parts.kind,
      milliseconds: sql<number>`sum(${sittings.activeMilliseconds})`,
      done: sql<number>`sum(${sittings.itemsDone})`,
      right: sql<number>`sum(${sittings.itemsRight})`,
    })
    .from(assignmentTargets)
    .innerJoin(sittings, eq(sittings.targetId, assignmentTargets.id))
    .innerJoin(parts, eq(parts.id, sittings.partId))
    .where(and(among(assignmentTargets.personId, personIds), gte(sittings.lastAt, since)))
    .groupBy(parts.kind)
    .orderBy(desc(sql`sum(${sittings.activeMilliseconds})`));
}

/** What some students' answers took, skill by skill, and the day on which each last came right at the first try. */
export async function timeBySkill(db: Queryable, personIds: readonly string[]) {
  if (personIds.length === 0) return [];
  return db
    .select({
      personId: skillDays.personId,
      skillId: skillDays.skillId,
      answered: sql<number>`sum(${skillDays.answered})`,
      milliseconds: sql<number>`sum(${skillDays.milliseconds})`,
      lastRightDay: sql<number | null>`max(case when ${skillDays.right} > 0 then ${skillDays.day} end)`,
    })
    .from(skillDays)
    .where(among(skillDays.personId, personIds))
    .groupBy(skillDays.personId, skillDays.skillId);
}

/** Ends a run that nobody goes on with; its version moves on, so that whoever has it in memory reads it anew. */
export async function endRun(
  tx: Queryable,
  sittingId: string,
  { finishedAt, finishReason }: { readonly finishedAt: number; readonly finishReason: FinishReason },
): Promise<void> {
  await tx
    .update(sittings)
    .set({ finishedAt, finishReason, version: sql`${sittings.version} + 1` })
    .where(and(eq(sittings.id, sittingId), isNull(sittings.finishedAt)));
}
