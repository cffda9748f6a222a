import "server-only";
import { and, asc, desc, eq, gte, inArray, isNull, or } from "drizzle-orm";
import type { Queryable } from "../connection";
import { people } from "../schema/people";
import { groupMembers, groupShares, groups, reteachBaselines, reteaches } from "../schema/regroup";

/** Groups that a person owns or shares on a day. */
export async function groupTiesOf(db: Queryable, personId: string, day: string) {
  const owned = await db
    .select({ groupId: groups.id })
    .from(groups)
    .where(and(eq(groups.ownerId, personId), isNull(groups.archivedAt)));
  const shared = await db
    .select({ groupId: groups.id })
    .from(groupShares)
    .innerJoin(groups, eq(groups.id, groupShares.groupId))
    .where(
      and(
        eq(groupShares.personId, personId),
        isNull(groups.archivedAt),
        or(isNull(groupShares.untilDay), gte(groupShares.untilDay, day)),
      ),
    );
  return [
    ...shared.map(({ groupId }) => ({ groupId, tie: "group colleague" as const })),
    ...owned.map(({ groupId }) => ({ groupId, tie: "group owner" as const })),
  ];
}

/** Groups a person is a member of now, with when they meet. */
export async function groupsOfStudents(db: Queryable, personIds: readonly string[]) {
  if (personIds.length === 0) return [];
  return db
    .select({ personId: groupMembers.personId, group: groups })
    .from(groupMembers)
    .innerJoin(groups, eq(groups.id, groupMembers.groupId))
    .where(
      and(inArray(groupMembers.personId, [...personIds]), isNull(groupMembers.untilDay), isNull(groups.archivedAt)),
    )
    .orderBy(asc(groups.name));
}

export async function sharesOfGroup(db: Queryable, groupId: string) {
  return db
    .select({ share: groupShares, person: people })
    .from(groupShares)
    .innerJoin(people, eq(people.id, groupShares.personId))
    .where(eq(groupShares.groupId, groupId));
}

/** All memberships of a group, those that are over too, the latest first. */
export async function membershipsOf(db: Queryable, groupId: string) {
  return db
    .select({ membership: groupMembers, person: people })
    .from(groupMembers)
    .innerJoin(people, eq(people.id, groupMembers.personId))
    .where(eq(groupMembers.groupId, groupId))
    .orderBy(desc(groupMembers.fromDay));
}

export async function groupsById(db: Queryable, ids: readonly string[]) {
  if (ids.length === 0) return [];
  return db
    .select()
    .from(groups)
    .where(and(inArray(groups.id, [...ids]), isNull(groups.archivedAt)))
    .orderBy(desc(groups.createdAt), asc(groups.name));
}

export async function groupsOfClasses(db: Queryable, classIds: readonly string[]) {
  return db
    .select()
    .from(groups)
    .where(and(inArray(groups.classId, [...classIds]), isNull(groups.archivedAt)))
    .orderBy(desc(groups.createdAt), asc(groups.name));
}

export async function groupById(db: Queryable, id: string) {
  const [group] = await db.select().from(groups).where(eq(groups.id, id));
  return group ?? null;
}

/** Present members of the groups, by given name. */
export async function membersOfGroups(db: Queryable, groupIds: readonly string[]) {
  if (groupIds.length === 0) return [];
  return db
    .select({ groupId: groupMembers.groupId, membershipId: groupMembers.id, person: people })
    .from(groupMembers)
    .innerJoin(people, eq(people.id, groupMembers.personId))
    .where(and(inArray(groupMembers.groupId, [...groupIds]), isNull(groupMembers.untilDay)))
    .orderBy(asc(people.givenName), asc(people.familyName));
}

export async function reteachesOfGroups(db: Queryable, groupIds: readonly string[]) {
  if (groupIds.length === 0) return [];
  return db
    .select()
    .from(reteaches)
    .where(inArray(reteaches.groupId, [...groupIds]))
    .orderBy(desc(reteaches.createdAt));
}

export async function baselinesOf(db: Queryable, reteachIds: readonly string[]) {
  if (reteachIds.length === 0) return [];
  return db
    .select()
    .from(reteachBaselines)
    .where(inArray(reteachBaselines.reteachId, [...reteachIds]));
}
