import "server-only";
import { and, asc, eq, gt, inArray, isNull, ne, sql } from "drizzle-orm";
import { type SQLiteColumn, union } from "drizzle-orm/sqlite-core";
import { manyRows } from "../manyRows";
import type { Queryable } from "../queryable";
import { credentials } from "../schema/access";
import { classes, classStaff, courses, enrollments, people, roles, schools, terms } from "../schema/people";
import { groupMembers, groups } from "../schema/regroup";
import { supports } from "../schema/students";
import { among, enrolledOn } from "./people";

export type TermRow = typeof terms.$inferSelect;
export type CourseRow = typeof courses.$inferSelect;
export type RoleRow = typeof roles.$inferSelect;
export type ClassStaffRow = typeof classStaff.$inferSelect;
export type EnrollmentRow = typeof enrollments.$inferSelect;
export type SupportsRow = typeof supports.$inferSelect;
export type MembershipRow = typeof groupMembers.$inferSelect;

/** Everything that roster files speak of, for some schools: also what has ended, so that it is recognised when it returns. */
export async function wholeRoster(db: Queryable, schoolIds: readonly string[]) {
  const here = [...schoolIds];
  const ofClass = (column: SQLiteColumn) =>
    inArray(column, db.select({ id: classes.id }).from(classes).where(inArray(classes.schoolId, here)));
  const [schoolRows, termRows, courseRows, classRows, peopleRows, roleRows, staffRows, enrollmentRows] =
    await Promise.all([
      db.select().from(schools).where(inArray(schools.id, here)),
      db.select().from(terms).where(inArray(terms.schoolId, here)),
      db.select().from(courses).where(inArray(courses.schoolId, here)),
      manyRows(db, classes, inArray(classes.schoolId, here)),
      manyRows(db, people, and(inArray(people.schoolId, here), isNull(people.erasedAt))),
      manyRows(db, roles, inArray(roles.schoolId, here)),
      manyRows(db, classStaff, ofClass(classStaff.classId)),
      manyRows(db, enrollments, ofClass(enrollments.classId)),
    ]);
  return {
    schools: schoolRows,
    terms: termRows,
    courses: courseRows,
    classes: classRows,
    people: peopleRows,
    roles: roleRows,
    classStaff: staffRows,
    enrollments: enrollmentRows,
  };
}
export type WholeRoster = Awaited<ReturnType<typeof wholeRoster>>;

/** Present memberships in some groups, and the supports of their school's students: what only a plain sheet speaks of. */
export async function sheetExtras(db: Queryable, schoolIds: readonly string[], groupIds: readonly string[]) {
  const memberships =
    groupIds.length === 0
      ? []
      : await db
          .select()
          .from(groupMembers)
          .where(and(inArray(groupMembers.groupId, [...groupIds]), isNull(groupMembers.untilDay)));
  const named =
    groupIds.length === 0
      ? []
      : await db
          .select()
          .from(groups)
          .where(inArray(groups.id, [...groupIds]));
  const supportRows = await db
    .select({ row: supports })
    .from(supports)
    .innerJoin(people, eq(people.id, supports.personId))
    .where(inArray(people.schoolId, [...schoolIds]));
  return {
    memberships,
    groups: named.map(({ id, name }) => ({ id, name })),
    supports: supportRows.map(({ row }) => row),
  };
}

/** Active students of some schools with what the roster page shows of their sign-in; classes come apart. */
export async function studentsOfSchools(db: Queryable, schoolIds: readonly string[]) {
  return db
    .select({
      person: people,
      pinKind: credentials.kind,
      cardHash: credentials.cardHash,
      lockedUntil: credentials.lockedUntil,
      lastSignInAt: credentials.lastSignInAt,
    })
    .from(people)
    .leftJoin(credentials, eq(credentials.personId, people.id))
    .where(and(inArray(people.schoolId, [...schoolIds]), eq(people.kind, "student"), isNull(people.archivedAt)))
    .orderBy(asc(people.givenName), asc(people.familyName));
}

/** Present enrollments of students in active classes of some schools. */
export async function presentEnrollments(
  db: Queryable,
  schoolIds: readonly string[],
  today: string,
): Promise<EnrollmentRow[]> {
  const rows = await db
    .select({ row: enrollments })
    .from(enrollments)
    .innerJoin(classes, eq(classes.id, enrollments.classId))
    .where(and(inArray(classes.schoolId, [...schoolIds]), enrolledOn(today), isNull(classes.archivedAt)));
  return rows.map(({ row }) => row);
}

/** Staff of some classes, whatever their dates. */
export async function staffOfClasses(db: Queryable, classIds: readonly string[]) {
  if (classIds.length === 0) return [];
  return db
    .select({ row: classStaff, person: people })
    .from(classStaff)
    .innerJoin(people, eq(people.id, classStaff.personId))
    .where(and(inArray(classStaff.classId, [...classIds]), isNull(people.archivedAt)))
    .orderBy(asc(people.givenName));
}

/** Everything that a person is or was on classes. */
export async function classStaffOf(db: Queryable, personId: string): Promise<ClassStaffRow[]> {
  return db.select().from(classStaff).where(eq(classStaff.personId, personId));
}

/** All enrollments of a student, those that are over too, the latest first; with whether each holds on a day. */
export async function enrollmentsOf(db: Queryable, personId: string, day: string) {
  return db
    .select({ enrollment: enrollments, class: classes, holds: sql`coalesce(${enrolledOn(day)}, 0)`.mapWith(Boolean) })
    .from(enrollments)
    .innerJoin(classes, eq(classes.id, enrollments.classId))
    .where(eq(enrollments.personId, personId))
    .orderBy(sql`${enrollments.fromDay} desc`, asc(classes.name));
}

/** Students or staff who left and are not erased. */
export async function archivedPeople(db: Queryable, kind: "student" | "staff", schoolIds: readonly string[]) {
  return db
    .select()
    .from(people)
    .where(
      and(
        inArray(people.schoolId, [...schoolIds]),
        eq(people.kind, kind),
        gt(people.archivedAt, 0),
        isNull(people.erasedAt),
      ),
    )
    .orderBy(asc(people.givenName), asc(people.familyName));
}

/** Names of all students who are or ever were in some classes or groups, or are of some schools. */
export async function studentNames(
  db: Queryable,
  where: {
    readonly schoolIds: readonly string[];
    readonly classIds: readonly string[];
    readonly groupIds: readonly string[];
  },
) {
  const inClass = db
    .select({ id: enrollments.personId })
    .from(enrollments)
    .where(inArray(enrollments.classId, [...where.classIds]));
  const inGroup = db
    .select({ id: groupMembers.personId })
    .from(groupMembers)
    .where(inArray(groupMembers.groupId, [...where.groupIds]));
  const atSchool = db.select({ id: people.id }).from(people).where(among(people.schoolId, where.schoolIds));
  return db
    .selectDistinct({ givenName: people.givenName, familyName: people.familyName })
    .from(people)
    .where(
      and(eq(people.kind, "student"), isNull(people.erasedAt), inArray(people.id, union(inClass, inGroup, atSchool))),
    );
}

export async function courseOf(db: Queryable, schoolId: string, subject: string): Promise<CourseRow | null> {
  const [found] = await db
    .select()
    .from(courses)
    .where(and(eq(courses.schoolId, schoolId), eq(courses.subject, subject), isNull(courses.archivedAt)))
    .limit(1);
  return found ?? null;
}

export async function classNamed(db: Queryable, schoolId: string, name: string, notId: string) {
  const [found] = await db
    .select()
    .from(classes)
    .where(
      and(
        eq(classes.schoolId, schoolId),
        sql`lower(${classes.name}) = ${name.toLowerCase()}`,
        isNull(classes.archivedAt),
        ne(classes.id, notId),
      ),
    );
  return found ?? null;
}

export async function rolesOfSchools(db: Queryable, schoolIds: readonly string[]): Promise<RoleRow[]> {
  return db
    .select()
    .from(roles)
    .where(inArray(roles.schoolId, [...schoolIds]));
}
