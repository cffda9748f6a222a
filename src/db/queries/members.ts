import "server-only";
import { and, asc, eq, gt, inArray, isNull, lte, or } from "drizzle-orm";
import type { Queryable } from "../queryable";
import { enrollments, people } from "../schema/people";
import { stillLent } from "./lent";

/**
 * Places in some classes that reach into a range of days (first and last day, both in it), by given name: also of those who have left since.
 * A last day of `null` in the row means that no end is known.
 */
export async function placesBetween(db: Queryable, classIds: readonly string[], fromDay: string, toDay: string) {
  return db
    .select({
      person: people,
      classId: enrollments.classId,
      fromDay: enrollments.fromDay,
      untilDay: enrollments.untilDay,
    })
    .from(enrollments)
    .innerJoin(people, eq(people.id, enrollments.personId))
    .where(
      and(
        inArray(enrollments.classId, [...classIds]),
        lte(enrollments.fromDay, toDay),
        or(isNull(enrollments.untilDay), gt(enrollments.untilDay, fromDay)),
        stillLent("enrollments", toDay),
        isNull(people.erasedAt),
      ),
    )
    .orderBy(asc(people.givenName), asc(people.familyName), asc(people.id));
}
