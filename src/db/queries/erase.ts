import "server-only";
import { eq, sql } from "drizzle-orm";
import type { Queryable } from "../queryable";
import { credentials, knownDevices, passwordResets, sessions } from "../schema/access";
import { answers, misconceptionSigns, sittings, skillDays, skillStates, uncountedAnswers } from "../schema/delivery";
import { people } from "../schema/people";
import { groupMembers, reteachStudents } from "../schema/regroup";
import { erasedTotals, interests, supports } from "../schema/students";
import { workTargets } from "../schema/work";

/** Deletes everything a person did; what remains are sums by item model, without a person, a class or a day. */
export async function eraseEvidenceOf(tx: Queryable, personId: string): Promise<void> {
  const sums = await tx
    .select({
      schoolId: people.schoolId,
      skillId: answers.skillId,
      modelId: answers.modelId,
      answered: sql<number>`count(*)`,
      right: sql<number>`sum(${answers.right})`,
      milliseconds: sql<number>`sum(${answers.milliseconds})`,
    })
    .from(answers)
    .innerJoin(people, eq(people.id, answers.personId))
    .where(eq(answers.personId, personId))
    .groupBy(people.schoolId, answers.skillId, answers.modelId);
  for (const sum of sums)
    await tx
      .insert(erasedTotals)
      .values(sum)
      .onConflictDoUpdate({
        target: [erasedTotals.schoolId, erasedTotals.skillId, erasedTotals.modelId],
        set: {
          answered: sql`${erasedTotals.answered} + ${sum.answered}`,
          right: sql`${erasedTotals.right} + ${sum.right}`,
          milliseconds: sql`${erasedTotals.milliseconds} + ${sum.milliseconds}`,
        },
      });
  await tx.delete(answers).where(eq(answers.personId, personId));
  await tx.delete(uncountedAnswers).where(eq(uncountedAnswers.personId, personId));
  await tx.delete(sittings).where(eq(sittings.personId, personId));
  await tx.delete(workTargets).where(eq(workTargets.personId, personId));
  await tx.delete(reteachStudents).where(eq(reteachStudents.personId, personId));
  await tx.delete(groupMembers).where(eq(groupMembers.personId, personId));
  await tx.delete(skillStates).where(eq(skillStates.personId, personId));
  await tx.delete(skillDays).where(eq(skillDays.personId, personId));
  await tx.delete(misconceptionSigns).where(eq(misconceptionSigns.personId, personId));
}

/** Leaves a row without a name: class sizes of the past stay true, and nothing tells whose it was. */
export async function forgetPerson(tx: Queryable, personId: string, at: number): Promise<void> {
  await tx.delete(sessions).where(eq(sessions.personId, personId));
  await tx.delete(passwordResets).where(eq(passwordResets.personId, personId));
  await tx.delete(credentials).where(eq(credentials.personId, personId));
  await tx.delete(knownDevices).where(eq(knownDevices.personId, personId));
  await tx.delete(supports).where(eq(supports.personId, personId));
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
