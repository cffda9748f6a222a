import "server-only";
import { and, asc, desc, eq, isNotNull, isNull, or, sql } from "drizzle-orm";
import type { Queryable } from "../queryable";
import { people } from "../schema/people";
import { assignments, partSkills, parts, works } from "../schema/work";
import { among } from "./people";

/** The assignment by which a work was given last; it can be put together anew from there. */
const lastGiven = sql<string | null>`(select last.id from assignments last where last.work_id = ${works.id}
  order by last.given_at desc, last.id desc limit 1)`;

/** Works that somebody kept, and those that colleagues of the school share, the latest first. */
export async function keptWorksFor(db: Queryable, personId: string, schoolId: string) {
  return db
    .select({
      work: works,
      assignmentId: lastGiven,
      givenTimes: sql<number>`(select count(*) from ${assignments} where ${assignments.workId} = ${works.id})`,
      ownerGivenName: people.givenName,
      ownerFamilyName: people.familyName,
    })
    .from(works)
    .innerJoin(people, eq(people.id, works.ownerId))
    .where(
      and(
        isNull(works.archivedAt),
        isNotNull(works.keptAt),
        or(eq(works.ownerId, personId), and(isNotNull(works.sharedAt), eq(works.schoolId, schoolId))),
      ),
    )
    .orderBy(desc(works.keptAt));
}

/** What some works are made of: the kind and the skills of each part. */
export async function partsWithSkills(db: Queryable, workIds: readonly string[]) {
  if (workIds.length === 0) return [];
  return db
    .select({ workId: parts.workId, kind: parts.kind, place: parts.place, skillId: partSkills.skillId })
    .from(parts)
    .leftJoin(partSkills, eq(partSkills.partId, parts.id))
    .where(among(parts.workId, workIds))
    .orderBy(asc(parts.workId), asc(parts.place), asc(partSkills.place));
}

/** The assignment by which each of some works was given last, by the work. */
export async function lastGivenOf(db: Queryable, workIds: readonly string[]): Promise<ReadonlyMap<string, string>> {
  if (workIds.length === 0) return new Map();
  const rows = await db
    .select({ id: assignments.id, workId: assignments.workId })
    .from(assignments)
    .where(among(assignments.workId, workIds))
    .orderBy(asc(assignments.givenAt), asc(assignments.id));
  return new Map(rows.map(({ id, workId }) => [workId, id]));
}
