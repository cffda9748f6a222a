import "server-only";
import { and, asc, desc, eq, gte, isNotNull, isNull, not, or, type SQL, sql } from "drizzle-orm";
import type { Queryable } from "../queryable";
import { people } from "../schema/people";
import { groupMembers, groupShares, groups } from "../schema/regroup";
import { reteaches, reteachStudents } from "../schema/reteach";
import { stillLent } from "./lent";
import { among } from "./people";

export type ReteachStudentRow = typeof reteachStudents.$inferSelect;

/** Groups that some people own or share on a day. */
export async function groupTiesOf(db: Queryable, personIds: readonly string[], day: string) {
  const owned = await db
    .select({ personId: groups.ownerId, groupId: groups.id })
    .from(groups)
    .where(and(among(groups.ownerId, personIds), isNull(groups.archivedAt)));
  const shared = await db
    .select({ personId: groupShares.personId, groupId: groups.id })
    .from(groupShares)
    .innerJoin(groups, eq(groups.id, groupShares.groupId))
    .where(
      and(
        among(groupShares.personId, personIds),
        isNull(groups.archivedAt),
        or(isNull(groupShares.untilDay), gte(groupShares.untilDay, day)),
      ),
    );
  return [
    ...shared.map((row) => ({ ...row, tie: "group colleague" as const })),
    ...owned.map((row) => ({ ...row, tie: "group owner" as const })),
  ];
}

/** The memberships that hold on a day: not over, and not lent through a tie that is. */
export const memberOn = (day: string) => and(isNull(groupMembers.untilDay), stillLent("group_members", day));

/** Who looks at a group, and when: a member whose lending tie is over is gone for the owner alone, who had them on loan. */
interface Look {
  readonly day: string;
  readonly viewerId: string;
}

const isSeen = ({ day, viewerId }: Look) =>
  or(
    stillLent("group_members", day),
    sql`not exists (select 1 from "groups" own where own.id = "group_members"."group_id" and own.owner_id = ${viewerId})`,
  ) as SQL;

/** Members of a group whom the viewer had on loan, and has no more. */
export async function lapsedMembersOf(db: Queryable, groupId: string, look: Look): Promise<string[]> {
  const rows = await db
    .select({ personId: groupMembers.personId })
    .from(groupMembers)
    .where(and(eq(groupMembers.groupId, groupId), isNull(groupMembers.untilDay), not(isSeen(look))));
  return rows.map(({ personId }) => personId);
}

/** Groups a person is a member of now, with when they meet. */
export async function groupsOfStudents(db: Queryable, personIds: readonly string[], day: string) {
  if (personIds.length === 0) return [];
  return db
    .select({ personId: groupMembers.personId, group: groups })
    .from(groupMembers)
    .innerJoin(groups, eq(groups.id, groupMembers.groupId))
    .where(and(among(groupMembers.personId, personIds), memberOn(day), isNull(groups.archivedAt)))
    .orderBy(asc(groups.name));
}

export async function sharesOfGroups(db: Queryable, groupIds: readonly string[]) {
  if (groupIds.length === 0) return [];
  return db
    .select({ share: groupShares, person: people })
    .from(groupShares)
    .innerJoin(people, eq(people.id, groupShares.personId))
    .where(among(groupShares.groupId, groupIds));
}

/** Memberships of some groups that are over, the latest first. */
export async function pastMemberships(db: Queryable, groupIds: readonly string[]) {
  if (groupIds.length === 0) return [];
  return db
    .select({ membership: groupMembers, person: people })
    .from(groupMembers)
    .innerJoin(people, eq(people.id, groupMembers.personId))
    .where(and(among(groupMembers.groupId, groupIds), isNotNull(groupMembers.untilDay)))
    .orderBy(desc(groupMembers.fromDay));
}

export async function groupsById(db: Queryable, ids: readonly string[]) {
  if (ids.length === 0) return [];
  return db
    .select()
    .from(groups)
    .where(and(among(groups.id, ids), isNull(groups.archivedAt)))
    .orderBy(desc(groups.createdAt), asc(groups.name));
}

export async function groupsOfClasses(db: Queryable, classIds: readonly string[]) {
  return db
    .select()
    .from(groups)
    .where(and(among(groups.classId, classIds), isNull(groups.archivedAt)))
    .orderBy(desc(groups.createdAt), asc(groups.name));
}

export async function groupById(db: Queryable, id: string) {
  const [group] = await db.select().from(groups).where(eq(groups.id, id));
  return group ?? null;
}

/** Present members of the groups, by given name. */
export async function membersOfGroups(db: Queryable, groupIds: readonly string[], look: Look) {
  if (groupIds.length === 0) return [];
  return db
    .select({
      groupId: groupMembers.groupId,
      membershipId: groupMembers.id,
      explains: groupMembers.explains,
      fromDay: groupMembers.fromDay,
      person: people,
    })
    .from(groupMembers)
    .innerJoin(people, eq(people.id, groupMembers.personId))
    .where(and(among(groupMembers.groupId, groupIds), isNull(groupMembers.untilDay), isSeen(look)))
    .orderBy(asc(people.givenName), asc(people.familyName));
}

export async function reteachesOfGroups(db: Queryable, groupIds: readonly string[]) {
  if (groupIds.length === 0) return [];
  return db
    .select()
    .from(reteaches)
    .where(among(reteaches.groupId, groupIds))
    .orderBy(desc(reteaches.createdAt), desc(reteaches.id));
}

/** What became of each student of some reteaches; those who have left since too. */
export async function studentsOfReteaches(db: Queryable, reteachIds: readonly string[]): Promise<ReteachStudentRow[]> {
  if (reteachIds.length === 0) return [];
  return db.select().from(reteachStudents).where(among(reteachStudents.reteachId, reteachIds));
}

/** What some students were taught again, with what became of it and by whom, the latest first. */
export async function reteachesOfStudents(db: Queryable, personIds: readonly string[]) {
  if (personIds.length === 0) return [];
  return db
    .select({ own: reteachStudents, skillId: reteaches.skillId, day: reteaches.assignedDay, group: groups, by: people })
    .from(reteachStudents)
    .innerJoin(reteaches, eq(reteaches.id, reteachStudents.reteachId))
    .innerJoin(groups, eq(groups.id, reteaches.groupId))
    .innerJoin(people, eq(people.id, groups.ownerId))
    .where(among(reteachStudents.personId, personIds))
    .orderBy(desc(reteaches.assignedDay), desc(reteaches.id));
}
