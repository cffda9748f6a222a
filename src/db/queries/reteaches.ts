import "server-only";
import { and, desc, eq, inArray, isNotNull, isNull, lte, or } from "drizzle-orm";
import type { WorkedFigures, WorkedVerdict } from "../../core/model/reteach";
import type { Queryable } from "../queryable";
import { people } from "../schema/people";
import { groupHabits, groups } from "../schema/regroup";
import { ownReteaches, reteachCompared, reteaches, reteachStudents, visits } from "../schema/reteach";
import { assignments } from "../schema/work";
import { among } from "./people";
import type { ReteachStudentRow } from "./regroup";

export type ReteachRow = typeof reteaches.$inferSelect;
export type ComparedRow = typeof reteachCompared.$inferSelect;

/** The reteach of which an assignment is the check; null when there is none. */
export async function reteachOfCheck(db: Queryable, assignmentId: string): Promise<ReteachRow | null> {
  const [found] = await db.select().from(reteaches).where(eq(reteaches.checkId, assignmentId));
  return found ?? null;
}

export async function reteachById(db: Queryable, id: string): Promise<ReteachRow | null> {
  const [found] = await db.select().from(reteaches).where(eq(reteaches.id, id));
  return found ?? null;
}

/** Students with whom those of some reteaches are compared. */
export async function comparedOfReteaches(db: Queryable, reteachIds: readonly string[]): Promise<ComparedRow[]> {
  if (reteachIds.length === 0) return [];
  return db.select().from(reteachCompared).where(among(reteachCompared.reteachId, reteachIds));
}

export async function keepVerdict(
  tx: Queryable,
  id: string,
  values: Required<
    Pick<ReteachStudentRow, "judgedDay" | "chanceAfter" | "chanceByCheck" | "checkRight" | "checkItems" | "verdict">
  >,
): Promise<void> {
  await tx.update(reteachStudents).set(values).where(eq(reteachStudents.id, id));
}

export async function keepCompared(
  tx: Queryable,
  id: string,
  values: Required<Pick<ComparedRow, "judgedDay" | "chanceByCheck" | "checkRight" | "checkItems">>,
): Promise<void> {
  await tx.update(reteachCompared).set(values).where(eq(reteachCompared.id, id));
}

/** Keeps what was judged of a group, once: what stands already stays. */
export async function keepWorked(
  tx: Queryable,
  id: string,
  values: { readonly judgedDay: string; readonly worked: WorkedVerdict; readonly figures: WorkedFigures },
): Promise<void> {
  await tx
    .update(reteaches)
    .set(values)
    .where(and(eq(reteaches.id, id), isNull(reteaches.judgedDay)));
}

/** Reteaches that nobody has judged though their checks were due; a check that was withdrawn tells nothing, and may come back. */
export async function reteachesToJudge(db: Queryable, now: number): Promise<ReteachRow[]> {
  const rows = await db
    .select({ reteach: reteaches })
    .from(reteaches)
    .innerJoin(assignments, eq(assignments.id, reteaches.checkId))
    .where(and(isNull(reteaches.judgedDay), lte(assignments.dueAt, now), isNull(assignments.withdrawnAt)));
  return rows.map(({ reteach }) => reteach);
}

/** What was tried with students in a skill and is judged or open, by whom, the latest first. */
export async function triedInSkill(db: Queryable, personIds: readonly string[], skillId: string) {
  if (personIds.length === 0) return [];
  return db
    .select({ own: reteachStudents, reteach: reteaches, by: people })
    .from(reteachStudents)
    .innerJoin(reteaches, eq(reteaches.id, reteachStudents.reteachId))
    .leftJoin(people, eq(people.id, reteaches.byId))
    .where(and(among(reteachStudents.personId, personIds), eq(reteaches.skillId, skillId)))
    .orderBy(desc(reteaches.createdAt), desc(reteaches.id));
}

/** Every judged student of reteaches of groups at some classes. */
export async function judgedInClasses(db: Queryable, classIds: readonly string[]) {
  if (classIds.length === 0) return [];
  return db
    .select({ own: reteachStudents, reteach: reteaches })
    .from(reteachStudents)
    .innerJoin(reteaches, eq(reteaches.id, reteachStudents.reteachId))
    .innerJoin(groups, eq(groups.id, reteaches.groupId))
    .where(and(among(groups.classId, classIds), isNotNull(reteachStudents.judgedDay)));
}

/** Students who are being taught a skill again and are not judged yet. */
export async function beingRetaught(
  db: Queryable,
  personIds: readonly string[],
  skillId: string,
): Promise<Set<string>> {
  if (personIds.length === 0) return new Set();
  const rows = await db
    .select({ personId: reteachStudents.personId })
    .from(reteachStudents)
    .innerJoin(reteaches, eq(reteaches.id, reteachStudents.reteachId))
    .where(
      and(
        among(reteachStudents.personId, personIds),
        eq(reteaches.skillId, skillId),
        isNull(reteaches.judgedDay),
        isNull(reteachStudents.judgedDay),
      ),
    );
  return new Set(rows.map(({ personId }) => personId));
}

export async function habitsOfClasses(db: Queryable, classIds: readonly string[]) {
  if (classIds.length === 0) return [];
  return db
    .select()
    .from(groupHabits)
    .where(inArray(groupHabits.classId, [...classIds]));
}

/** What somebody changed in the plans of a skill, and what colleagues of the school share. */
export async function ownReteachesOn(
  db: Queryable,
  { skillId, personId, schoolId }: { readonly skillId: string; readonly personId: string; readonly schoolId: string },
) {
  return db
    .select({ own: ownReteaches, by: people })
    .from(ownReteaches)
    .innerJoin(people, eq(people.id, ownReteaches.personId))
    .where(
      and(
        eq(ownReteaches.skillId, skillId),
        eq(ownReteaches.schoolId, schoolId),
        or(eq(ownReteaches.personId, personId), eq(ownReteaches.shared, true)),
      ),
    )
    .orderBy(desc(ownReteaches.changedAt), desc(ownReteaches.id));
}

/** A few minutes with some students, the latest first. */
export async function visitsOf(db: Queryable, personIds: readonly string[]) {
  if (personIds.length === 0) return [];
  return db
    .select({ visit: visits, by: people })
    .from(visits)
    .innerJoin(people, eq(people.id, visits.byId))
    .where(among(visits.personId, personIds))
    .orderBy(desc(visits.at), desc(visits.id));
}

export async function visitById(db: Queryable, id: string) {
  const [found] = await db.select().from(visits).where(eq(visits.id, id));
  return found ?? null;
}
