import "server-only";
import { and, asc, desc, eq, inArray, isNull } from "drizzle-orm";
import type { Queryable } from "../connection";
import { people } from "../schema/people";
import { groupMembers, groups, reteachBaselines, reteaches } from "../schema/regroup";

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
