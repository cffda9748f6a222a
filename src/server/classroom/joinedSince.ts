import "server-only";
import { groupBy } from "@/core/collections/groupBy";
import { type PersonRow, studentsOfClasses } from "@/db/queries/people";
import { membersOfGroups } from "@/db/queries/regroup";
import { personIdsOfAssignments } from "@/db/queries/work";
import type { Queryable } from "@/db/queryable";
import { dayAt, type School } from "@/server/runtime/school";

/**
 * Who came into the class or the group after work was given to it and has not been given it, by the assignment. Whoever was there and was left out is
 * not among them.
 */
export async function joinedSince(
  db: Queryable,
  school: School,
  works: readonly {
    readonly id: string;
    readonly classId: string;
    readonly groupId: string | null;
    readonly givenAt: number;
  }[],
  { now, viewerId }: { readonly now: number; readonly viewerId: string },
): Promise<ReadonlyMap<string, readonly PersonRow[]>> {
  const day = dayAt(school, now);
  const groupIds = [...new Set(works.flatMap(({ groupId }) => groupId ?? []))];
  const [students, members, given] = await Promise.all([
    studentsOfClasses(
      db,
      works.map(({ classId }) => classId),
      day,
    ),
    membersOfGroups(db, groupIds, { day, viewerId }),
    personIdsOfAssignments(
      db,
      works.map(({ id }) => id),
    ),
  ]);
  const has = groupBy(given, ({ assignmentId }) => assignmentId);
  return new Map(
    works.map(({ id, classId, groupId, givenAt }) => {
      const there =
        groupId === null
          ? students.filter((one) => one.classId === classId)
          : members.filter((one) => one.groupId === groupId);
      const own = new Set((has.get(id) ?? []).map(({ personId }) => personId));
      const since = dayAt(school, givenAt);
      return [
        id,
        there.flatMap(({ person, fromDay }) => (fromDay > since && !own.has(person.id) ? [person] : [])),
      ] as const;
    }),
  );
}
