import "server-only";
import { and, asc, eq, gte, isNotNull, isNull } from "drizzle-orm";
import type { Queryable } from "../queryable";
import { classGoals } from "../schema/evidence";
import { skillStates } from "../schema/summaries";
import { among } from "./people";

export type ClassGoalRow = typeof classGoals.$inferSelect;

/** Goals of some classes whose last day is a day or later, the nearest first. */
export async function goalsOfClasses(
  db: Queryable,
  classIds: readonly string[],
  fromDay: string,
): Promise<ClassGoalRow[]> {
  return db
    .select()
    .from(classGoals)
    .where(and(among(classGoals.classId, classIds), gte(classGoals.untilDay, fromDay), isNull(classGoals.archivedAt)))
    .orderBy(asc(classGoals.untilDay), asc(classGoals.id));
}

export async function goalById(db: Queryable, id: string): Promise<ClassGoalRow | null> {
  const [found] = await db.select().from(classGoals).where(eq(classGoals.id, id));
  return found ?? null;
}

/** On which days since one some people mastered skills that they have not lost since. */
export async function masteredSince(db: Queryable, personIds: readonly string[], fromDay: number) {
  if (personIds.length === 0) return [];
  return db
    .select({ personId: skillStates.personId, day: skillStates.masteredDay })
    .from(skillStates)
    .where(
      and(
        among(skillStates.personId, personIds),
        isNotNull(skillStates.masteredDay),
        gte(skillStates.masteredDay, fromDay),
        isNull(skillStates.lostDay),
      ),
    );
}

/** How some skills of some people stand. */
export async function statesInSkills(db: Queryable, personIds: readonly string[], skillIds: readonly string[]) {
  if (personIds.length === 0 || skillIds.length === 0) return [];
  return db
    .select()
    .from(skillStates)
    .where(and(among(skillStates.personId, personIds), among(skillStates.skillId, skillIds)));
}
