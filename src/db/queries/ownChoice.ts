import "server-only";
import { and, eq, gte, isNull } from "drizzle-orm";
import type { Queryable } from "../queryable";
import { studentGoals } from "../schema/students";
import { assignments, assignmentTargets, completions, partSkills, parts } from "../schema/work";
import { ownCompletion } from "./work";

/** What a student chose, goes over a skill and is not through with, with the kind and settings of its part. */
export async function openOwnPieces(db: Queryable, personId: string, skillId: string) {
  return db
    .select({ assignmentId: assignments.id, kind: parts.kind, settings: parts.settings })
    .from(assignmentTargets)
    .innerJoin(assignments, eq(assignments.id, assignmentTargets.assignmentId))
    .innerJoin(parts, eq(parts.workId, assignments.workId))
    .innerJoin(partSkills, eq(partSkills.partId, parts.id))
    .leftJoin(completions, ownCompletion)
    .where(
      and(
        eq(assignmentTargets.personId, personId),
        eq(assignments.isOwnChoice, true),
        eq(partSkills.skillId, skillId),
        isNull(completions.at),
      ),
    );
}

/** When a student was through with each of their pieces of work, since an instant. */
export async function completionsOf(db: Queryable, personId: string, since: number): Promise<number[]> {
  const rows = await db
    .select({ at: completions.at })
    .from(completions)
    .innerJoin(assignmentTargets, ownCompletion)
    .where(and(eq(assignmentTargets.personId, personId), gte(completions.at, since)));
  return rows.map(({ at }) => at);
}

export async function goalOf(db: Queryable, personId: string) {
  const [goal] = await db.select().from(studentGoals).where(eq(studentGoals.personId, personId));
  return goal ?? null;
}

/** Keeps a student's goal in place of the one before; null takes it away. */
export async function keepGoal(
  tx: Queryable,
  personId: string,
  goal: { readonly daysAWeek: number; readonly setAt: number } | null,
): Promise<void> {
  if (goal === null) await tx.delete(studentGoals).where(eq(studentGoals.personId, personId));
  else
    await tx
      .insert(studentGoals)
      .values({ personId, ...goal })
      .onConflictDoUpdate({ target: studentGoals.personId, set: goal });
}
