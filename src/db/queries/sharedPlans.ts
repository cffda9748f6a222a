import "server-only";
import { and, asc, count, desc, eq, inArray, isNull, or, sql } from "drizzle-orm";
import type { Queryable } from "../queryable";
import { changeSubjects, changes } from "../schema/history";
import { people, schools } from "../schema/people";
import { planRights, planSlots, plans } from "../schema/plan";
import { among } from "./people";
import type { PlanRow } from "./plan";

/** A plan that is no class's own, with whose it is. */
export interface OwnedPlan extends PlanRow {
  readonly ownerLeft: boolean;
  /** Empty for a plan of the school. */
  readonly ownerName: string;
}

const owned = (db: Queryable) =>
  db
    .select({
      plan: plans,
      ownerLeft: sql<number>`coalesce(${people.archivedAt} is not null, 0)`,
      givenName: people.givenName,
      familyName: people.familyName,
    })
    .from(plans)
    .leftJoin(people, eq(people.id, plans.ownerId));

const withOwner = ({
  plan,
  ownerLeft,
  givenName,
  familyName,
}: Awaited<ReturnType<typeof owned>>[number]): OwnedPlan => ({
  ...plan,
  ownerLeft: ownerLeft === 1,
  ownerName: givenName === null ? "" : `${givenName} ${familyName}`,
});

/** A plan that is no class's own, one that was put away included; null when there is none. */
export async function sharedPlanById(db: Queryable, id: string): Promise<OwnedPlan | null> {
  const [found] = await owned(db).where(and(eq(plans.id, id), isNull(plans.classId)));
  return found ? withOwner(found) : null;
}

/** Plans that somebody may have to do with: of these schools, of the person, or opened to either. */
export async function plansAround(db: Queryable, personId: string, schoolIds: readonly string[]): Promise<OwnedPlan[]> {
  const opened = db
    .select({ id: planRights.planId })
    .from(planRights)
    .where(or(eq(planRights.personId, personId), inArray(planRights.schoolId, [...schoolIds])));
  const found = await owned(db)
    .where(
      and(
        isNull(plans.classId),
        or(eq(plans.ownerId, personId), inArray(plans.schoolId, [...schoolIds]), inArray(plans.id, opened)),
      ),
    )
    .orderBy(asc(plans.grade), asc(plans.name), asc(plans.id));
  return found.map(withOwner);
}

export type PlanRightRow = typeof planRights.$inferSelect;

export async function rightsOfPlans(db: Queryable, planIds: readonly string[]): Promise<PlanRightRow[]> {
  return planIds.length === 0 ? [] : db.select().from(planRights).where(among(planRights.planId, planIds));
}

/** The rights to a plan with the names of those who have them. */
export async function namedRightsOfPlan(db: Queryable, planId: string) {
  return db
    .select({
      right: planRights,
      givenName: people.givenName,
      familyName: people.familyName,
      hasLeft: sql<number>`coalesce(${people.archivedAt} is not null, 0)`,
      school: schools.name,
    })
    .from(planRights)
    .leftJoin(people, eq(people.id, planRights.personId))
    .leftJoin(schools, eq(schools.id, planRights.schoolId))
    .where(eq(planRights.planId, planId))
    .orderBy(asc(planRights.level), asc(planRights.id));
}

/** Slots and lessons of each of some plans. */
export async function sizesOfPlans(db: Queryable, planIds: readonly string[]) {
  if (planIds.length === 0) return new Map<string, { slots: number; lessons: number }>();
  const rows = await db
    .select({ planId: planSlots.planId, slots: count(), lessons: sql<number>`sum(${planSlots.lessons})` })
    .from(planSlots)
    .where(among(planSlots.planId, planIds))
    .groupBy(planSlots.planId);
  return new Map(rows.map(({ planId, ...size }) => [planId, size]));
}

/** How many classes' own plans were copied from a plan. */
export async function classesWithCopyOf(db: Queryable, planId: string): Promise<number> {
  const [found] = await db
    .select({ classes: count() })
    .from(plans)
    .where(and(eq(plans.copiedFromId, planId), sql`${plans.classId} is not null`, isNull(plans.archivedAt)));
  return found?.classes ?? 0;
}

/** The latest entries of the history about something, that they were taken back included. */
export async function latestChangesAbout(db: Queryable, subjectId: string, limit: number) {
  return db
    .select({ id: changes.id, at: changes.at, kind: changes.kind, facts: changes.facts, actorId: changes.actorId })
    .from(changes)
    .innerJoin(changeSubjects, eq(changeSubjects.changeId, changes.id))
    .where(eq(changeSubjects.subjectId, subjectId))
    .orderBy(desc(changes.id))
    .limit(limit);
}
