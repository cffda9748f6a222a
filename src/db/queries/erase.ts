import "server-only";
import { and, eq, inArray, sql } from "drizzle-orm";
import type { Queryable } from "../queryable";
import { credentials, knownDevices, passwordResets, sessions } from "../schema/access";
import { talkNotes } from "../schema/evidence";
import { factAttempts, factDays, factSettings, factStates } from "../schema/facts";
import { itemVersions } from "../schema/items";
import { outsideScores } from "../schema/outsideScores";
import { people } from "../schema/people";
import { planStarts } from "../schema/plan";
import { groupMembers } from "../schema/regroup";
import { reteachCompared, reteachStudents, visits } from "../schema/reteach";
import { reviewSettings, reviewSkills } from "../schema/review";
import {
  answers,
  lessonVisits,
  placements,
  ratings,
  scores,
  sittingItems,
  sittings,
  standingAnswers,
  uncountedAnswers,
} from "../schema/sittings";
import { erasedTotals, interests, studentGoals, supports } from "../schema/students";
import { misconceptionDays, misconceptionSigns, skillDays, skillStates } from "../schema/summaries";
import { assignmentTargets, completions, furtherTries, partOpenings, studentLines } from "../schema/work";
import { isCurrent } from "./answerLog";

/** Deletes everything a person did; what remains are sums by item, without a person, a class or a day. */
export async function eraseEvidenceOf(tx: Queryable, personId: string): Promise<void> {
  const sums = await tx
    .select({
      schoolId: people.schoolId,
      skillId: scores.skillId,
      itemId: itemVersions.itemId,
      answered: sql<number>`count(*)`,
      right: sql<number>`sum(${scores.earned} = ${scores.possible})`,
      milliseconds: sql<number>`sum(${answers.milliseconds})`,
    })
    .from(scores)
    .innerJoin(answers, eq(answers.serial, scores.answerSerial))
    .innerJoin(sittingItems, eq(sittingItems.id, answers.sittingItemId))
    .innerJoin(itemVersions, eq(itemVersions.id, sittingItems.versionId))
    .innerJoin(people, eq(people.id, scores.personId))
    .where(and(eq(scores.personId, personId), isCurrent))
    .groupBy(people.schoolId, scores.skillId, itemVersions.itemId);
  for (const sum of sums)
    await tx
      .insert(erasedTotals)
      .values(sum)
      .onConflictDoUpdate({
        target: [erasedTotals.schoolId, erasedTotals.skillId, erasedTotals.itemId],
        set: {
          answered: sql`${erasedTotals.answered} + ${sum.answered}`,
          right: sql`${erasedTotals.right} + ${sum.right}`,
          milliseconds: sql`${erasedTotals.milliseconds} + ${sum.milliseconds}`,
        },
      });
  await deleteEvidenceOf(tx, personId);
}

/** Deletes everything a person did, without a trace. */
export async function deleteEvidenceOf(tx: Queryable, personId: string): Promise<void> {
  const own = tx.select({ serial: answers.serial }).from(answers).where(eq(answers.personId, personId));
  await tx.delete(ratings).where(inArray(ratings.answerSerial, own));
  await tx.delete(scores).where(eq(scores.personId, personId));
  await tx.delete(answers).where(eq(answers.personId, personId));
  await tx.delete(lessonVisits).where(eq(lessonVisits.personId, personId));
  await tx.delete(placements).where(eq(placements.personId, personId));
  await tx.delete(uncountedAnswers).where(eq(uncountedAnswers.personId, personId));
  const targets = tx
    .select({ id: assignmentTargets.id })
    .from(assignmentTargets)
    .where(eq(assignmentTargets.personId, personId));
  const runs = tx.select({ id: sittings.id }).from(sittings).where(inArray(sittings.targetId, targets));
  const shown = tx.select({ id: sittingItems.id }).from(sittingItems).where(inArray(sittingItems.sittingId, runs));
  await tx.delete(standingAnswers).where(inArray(standingAnswers.sittingItemId, shown));
  await tx.delete(sittingItems).where(inArray(sittingItems.sittingId, runs));
  await tx.delete(completions).where(inArray(completions.targetId, targets));
  await tx.delete(furtherTries).where(inArray(furtherTries.targetId, targets));
  await tx.delete(partOpenings).where(inArray(partOpenings.targetId, targets));
  await tx.delete(sittings).where(inArray(sittings.targetId, targets));
  await tx.delete(studentLines).where(eq(studentLines.personId, personId));
  await tx.delete(assignmentTargets).where(eq(assignmentTargets.personId, personId));
  await tx.delete(reteachStudents).where(eq(reteachStudents.personId, personId));
  await tx.delete(reteachCompared).where(eq(reteachCompared.personId, personId));
  await tx.delete(visits).where(eq(visits.personId, personId));
  await tx.delete(outsideScores).where(eq(outsideScores.personId, personId));
  await tx.delete(factAttempts).where(eq(factAttempts.personId, personId));
  await tx.delete(factStates).where(eq(factStates.personId, personId));
  await tx.delete(factDays).where(eq(factDays.personId, personId));
  await tx.delete(factSettings).where(eq(factSettings.personId, personId));
  await tx.delete(reviewSettings).where(eq(reviewSettings.personId, personId));
  await tx.delete(reviewSkills).where(eq(reviewSkills.personId, personId));
  await tx.delete(groupMembers).where(eq(groupMembers.personId, personId));
  await tx.delete(talkNotes).where(eq(talkNotes.personId, personId));
  await tx.delete(planStarts).where(eq(planStarts.personId, personId));
  await tx.delete(skillStates).where(eq(skillStates.personId, personId));
  await tx.delete(skillDays).where(eq(skillDays.personId, personId));
  await tx.delete(misconceptionSigns).where(eq(misconceptionSigns.personId, personId));
  await tx.delete(misconceptionDays).where(eq(misconceptionDays.personId, personId));
}

/** Leaves a row without a name: class sizes of the past stay true, and nothing tells whose it was. */
export async function forgetPerson(tx: Queryable, personId: string, at: number): Promise<void> {
  await tx.delete(sessions).where(eq(sessions.personId, personId));
  await tx.delete(passwordResets).where(eq(passwordResets.personId, personId));
  await tx.delete(credentials).where(eq(credentials.personId, personId));
  await tx.delete(knownDevices).where(eq(knownDevices.personId, personId));
  await tx.delete(supports).where(eq(supports.personId, personId));
  await tx.delete(studentGoals).where(eq(studentGoals.personId, personId));
  await tx.delete(interests).where(eq(interests.personId, personId));
  await tx
    .update(people)
    .set({
      givenName: "Erased",
      familyName: "student",
      studentNumber: null,
      email: null,
      username: null,
      birthYear: null,
      sourcedId: null,
      extra: null,
      archivedAt: at,
      erasedAt: at,
    })
    .where(eq(people.id, personId));
}
