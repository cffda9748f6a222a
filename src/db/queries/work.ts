import "server-only";
import { and, asc, desc, eq, getTableColumns, inArray, isNull } from "drizzle-orm";
import type { Queryable } from "../queryable";
import { sittings } from "../schema/delivery";
import { people } from "../schema/people";
import { workSkills, works, workTargets } from "../schema/work";

export type WorkRow = typeof works.$inferSelect;

export async function workById(db: Queryable, id: string): Promise<WorkRow | null> {
  const [work] = await db.select().from(works).where(eq(works.id, id));
  return work ?? null;
}

export async function worksById(db: Queryable, ids: readonly string[]): Promise<WorkRow[]> {
  return ids.length === 0
    ? []
    : db
        .select()
        .from(works)
        .where(inArray(works.id, [...ids]));
}

export async function worksOfClasses(db: Queryable, classIds: readonly string[]): Promise<WorkRow[]> {
  return db
    .select()
    .from(works)
    .where(and(inArray(works.classId, [...classIds]), isNull(works.withdrawnAt)))
    .orderBy(desc(works.createdAt), desc(works.id));
}

export async function skillIdsOfWorks(db: Queryable, workIds: readonly string[]): Promise<Map<string, string[]>> {
  const byWork = new Map<string, string[]>();
  if (workIds.length === 0) return byWork;
  const rows = await db
    .select()
    .from(workSkills)
    .where(inArray(workSkills.workId, [...workIds]))
    .orderBy(asc(workSkills.place));
  for (const { workId, skillId } of rows) byWork.set(workId, [...(byWork.get(workId) ?? []), skillId]);
  return byWork;
}

export async function targetOf(db: Queryable, workId: string, personId: string) {
  const [target] = await db
    .select()
    .from(workTargets)
    .where(and(eq(workTargets.workId, workId), eq(workTargets.personId, personId)));
  return target ?? null;
}

/** A sitting without its items, which only the student at work needs: of a class's year they are megabytes. */
const { presentations: _items, chancesAtStart: _chances, ...run } = getTableColumns(sittings);
export type RunRow = Omit<typeof sittings.$inferSelect, "presentations" | "chancesAtStart">;

/** Every student of a piece of work with the sitting, if begun. */
export async function targetsWithSittings(db: Queryable, workIds: readonly string[]) {
  if (workIds.length === 0) return [];
  return db
    .select({ target: workTargets, person: people, sitting: run })
    .from(workTargets)
    .innerJoin(people, eq(people.id, workTargets.personId))
    .leftJoin(sittings, and(eq(sittings.workId, workTargets.workId), eq(sittings.personId, workTargets.personId)))
    .where(inArray(workTargets.workId, [...workIds]))
    .orderBy(asc(people.givenName), asc(people.familyName));
}

/** Work given to a student, with the sitting if begun; withdrawn work is left out. */
export async function worksOfStudent(db: Queryable, personId: string) {
  return db
    .select({ work: works, target: workTargets, sitting: run })
    .from(workTargets)
    .innerJoin(works, eq(works.id, workTargets.workId))
    .leftJoin(sittings, and(eq(sittings.workId, works.id), eq(sittings.personId, personId)))
    .where(and(eq(workTargets.personId, personId), isNull(works.withdrawnAt)))
    .orderBy(asc(works.dueAt), asc(works.id));
}
