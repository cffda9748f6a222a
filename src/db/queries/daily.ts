import "server-only";
import { and, eq, gte, isNull } from "drizzle-orm";
import type { Queryable } from "../queryable";
import { factDays, factSettings } from "../schema/facts";
import { enrollments } from "../schema/people";
import { reviewSettings } from "../schema/review";
import { sittings } from "../schema/sittings";
import { assignments, assignmentTargets } from "../schema/work";
import { among, enrolledOn } from "./people";

/**
 * How many students of some classes have practised today what is practised daily, number facts or review, of how many that have it; null where no
 * class has either. `since`: when the school day began.
 */
export async function practisedToday(
  db: Queryable,
  classIds: readonly string[],
  { today, since }: { readonly today: string; readonly since: number },
): Promise<{ readonly practised: number; readonly of: number } | null> {
  const [facts, reviews] = await Promise.all([
    db
      .select({ classId: factSettings.classId })
      .from(factSettings)
      .where(and(among(factSettings.classId, classIds), isNull(factSettings.personId), eq(factSettings.on, true))),
    db
      .select({ classId: reviewSettings.classId })
      .from(reviewSettings)
      .where(
        and(among(reviewSettings.classId, classIds), isNull(reviewSettings.personId), eq(reviewSettings.on, true)),
      ),
  ]);
  const daily = [...new Set([...facts, ...reviews].map(({ classId }) => classId))];
  if (daily.length === 0) return null;
  const students = await db
    .selectDistinct({ id: enrollments.personId })
    .from(enrollments)
    .where(and(among(enrollments.classId, daily), enrolledOn(today)));
  const ids = students.map(({ id }) => id);
  if (ids.length === 0) return null;
  const [withFacts, withReview] = await Promise.all([
    db
      .select({ id: factDays.personId })
      .from(factDays)
      .where(and(among(factDays.personId, ids), eq(factDays.day, today))),
    db
      .selectDistinct({ id: assignmentTargets.personId })
      .from(assignments)
      .innerJoin(assignmentTargets, eq(assignmentTargets.assignmentId, assignments.id))
      .innerJoin(sittings, eq(sittings.targetId, assignmentTargets.id))
      .where(
        and(
          among(assignments.classId, daily),
          eq(assignments.isReview, true),
          among(assignmentTargets.personId, ids),
          gte(sittings.startedAt, since),
        ),
      ),
  ]);
  return { practised: new Set([...withFacts, ...withReview].map(({ id }) => id)).size, of: ids.length };
}
