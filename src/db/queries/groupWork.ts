import "server-only";
import { and, desc, eq, inArray, isNotNull, isNull, not, or } from "drizzle-orm";
import type { Queryable } from "../queryable";
import { enrollments } from "../schema/people";
import { assignments, assignmentTargets } from "../schema/work";
import { among, enrolledOn } from "./people";
import { assignmentsWithWork, type GivenWork, givenBySomebody } from "./work";

/**
 * What groups at home in other classes were given, and what was not withdrawn, the latest first: of some groups all of it, of others what
 * students of some classes have of it.
 */
export async function assignmentsOfGroupsAround(
  db: Queryable,
  classIds: readonly string[],
  groupIds: readonly string[],
  day: string,
): Promise<GivenWork[]> {
  const ofClasses = db
    .select({ id: assignmentTargets.assignmentId })
    .from(assignmentTargets)
    .innerJoin(enrollments, eq(enrollments.personId, assignmentTargets.personId))
    .where(and(among(enrollments.classId, classIds), enrolledOn(day)));
  return assignmentsWithWork(db)
    .where(
      and(
        isNotNull(assignments.groupId),
        not(among(assignments.classId, classIds)),
        isNull(assignments.withdrawnAt),
        givenBySomebody,
        or(among(assignments.groupId, groupIds), inArray(assignments.id, ofClasses)),
      ),
    )
    .orderBy(desc(assignments.givenAt), desc(assignments.id));
}
