import "server-only";
import { and, eq, gte, inArray, isNull, or, sql } from "drizzle-orm";
import type { ClassRole } from "@/core/model/roles";
import type { Queryable } from "../queryable";
import { classes, classStaff, enrollments } from "../schema/people";
import { groupMembers, groupShares, groups } from "../schema/regroup";
import { among, enrolledOn, holdsOn } from "./people";
import { memberOn } from "./regroup";

/** Why a member of staff has to do with a student: one place of the student's that the member of staff has a tie to. */
export interface Ground {
  readonly staffId: string;
  readonly personId: string;
  readonly role: ClassRole | "group owner" | "group colleague";
  /** The row that is the tie; of an owned group the group itself. */
  readonly tieId: string;
  /** The student's place (enrollment or membership). */
  readonly placeId: string;
  /** The tie through which that place is lent itself. */
  readonly lentThrough: string | null;
}

/** All grounds of some members of staff for some students on a day. */
export async function groundsOf(
  db: Queryable,
  staffIds: readonly string[],
  personIds: readonly string[],
  day: string,
): Promise<Ground[]> {
  if (staffIds.length === 0 || personIds.length === 0) return [];
  const byClass = await db
    .select({
      staffId: classStaff.personId,
      personId: enrollments.personId,
      role: classStaff.role,
      tieId: classStaff.id,
      placeId: enrollments.id,
      lentThrough: enrollments.lentThrough,
    })
    .from(classStaff)
    .innerJoin(classes, eq(classes.id, classStaff.classId))
    .innerJoin(enrollments, eq(enrollments.classId, classStaff.classId))
    .where(
      and(
        among(classStaff.personId, staffIds),
        among(enrollments.personId, personIds),
        holdsOn(day, classStaff.fromDay, classStaff.untilDay),
        enrolledOn(day),
        isNull(classes.archivedAt),
      ),
    );
  const place = { personId: groupMembers.personId, placeId: groupMembers.id, lentThrough: groupMembers.lentThrough };
  const ofMembers = and(among(groupMembers.personId, personIds), memberOn(day), isNull(groups.archivedAt));
  const owned = await db
    .select({ staffId: groups.ownerId, tieId: groups.id, role: sql<"group owner">`'group owner'`, ...place })
    .from(groups)
    .innerJoin(groupMembers, eq(groupMembers.groupId, groups.id))
    .where(and(among(groups.ownerId, staffIds), ofMembers));
  const shared = await db
    .select({
      staffId: groupShares.personId,
      tieId: groupShares.id,
      role: sql<"group colleague">`'group colleague'`,
      ...place,
    })
    .from(groupShares)
    .innerJoin(groups, eq(groups.id, groupShares.groupId))
    .innerJoin(groupMembers, eq(groupMembers.groupId, groups.id))
    .where(and(among(groupShares.personId, staffIds), sharedOn(day), ofMembers));
  return [...byClass, ...owned, ...shared];
}

const sharedOn = (day: string) => or(isNull(groupShares.untilDay), gte(groupShares.untilDay, day));

/** Who has a tie to whoever is in a class or group on a day; `makes` where it is their own: its teacher, its owner. */
export async function tiedTo(
  db: Queryable,
  place: { readonly classId: string } | { readonly groupId: string },
  day: string,
): Promise<{ readonly staffId: string; readonly makes: boolean }[]> {
  if ("classId" in place) {
    const rows = await db
      .select({ staffId: classStaff.personId, role: classStaff.role })
      .from(classStaff)
      .where(and(eq(classStaff.classId, place.classId), holdsOn(day, classStaff.fromDay, classStaff.untilDay)));
    return rows.map(({ staffId, role }) => ({ staffId, makes: role === "teacher" }));
  }
  const owners = await db.select({ staffId: groups.ownerId }).from(groups).where(eq(groups.id, place.groupId));
  const sharers = await db
    .select({ staffId: groupShares.personId })
    .from(groupShares)
    .where(and(eq(groupShares.groupId, place.groupId), sharedOn(day)));
  return [...owners.map((row) => ({ ...row, makes: true })), ...sharers.map((row) => ({ ...row, makes: false }))];
}

/** Whether anybody is in a class or group through a tie that is lent. */
export async function hasLentPlaces(
  db: Queryable,
  place: { readonly classId: string } | { readonly groupId: string },
  day: string,
): Promise<boolean> {
  const found =
    "classId" in place
      ? await db
          .select({ id: enrollments.id })
          .from(enrollments)
          .where(
            and(eq(enrollments.classId, place.classId), enrolledOn(day), sql`${enrollments.lentThrough} is not null`),
          )
          .limit(1)
      : await db
          .select({ id: groupMembers.id })
          .from(groupMembers)
          .where(
            and(
              inArray(groupMembers.groupId, [place.groupId]),
              memberOn(day),
              sql`${groupMembers.lentThrough} is not null`,
            ),
          )
          .limit(1);
  return found.length > 0;
}
