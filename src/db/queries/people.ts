import "server-only";
import { and, asc, desc, eq, gt, gte, inArray, isNotNull, isNull, lte, ne, or, type SQL, sql } from "drizzle-orm";
import type { SQLiteColumn } from "drizzle-orm/sqlite-core";
import type { Queryable } from "../queryable";
import { credentials } from "../schema/access";
import { classes, classStaff, enrollments, holidays, people, roles, schools, terms } from "../schema/people";
import { groupShares, groups } from "../schema/regroup";
import { stillLent } from "./lent";

export type PersonRow = typeof people.$inferSelect;
export type ClassRow = typeof classes.$inferSelect;
export type SchoolRow = typeof schools.$inferSelect;

/** One of some ids, handed over as one value: databases limit how many a statement takes. */
export const among = (column: SQLiteColumn, ids: readonly string[]): SQL =>
  sql`${column} in (select value from json_each(${JSON.stringify([...new Set(ids)])}))`;

/** Holds on a day: begun by then, and not over. An empty date stands for "always". */
export const holdsOn = (day: string, from: SQLiteColumn, until: SQLiteColumn): SQL | undefined =>
  and(or(isNull(from), lte(from, day)), or(isNull(until), gte(until, day)));

export async function schoolById(db: Queryable, id: string) {
  const [school] = await db.select().from(schools).where(eq(schools.id, id));
  return school ?? null;
}

export async function anySchool(db: Queryable) {
  const [school] = await db.select().from(schools).limit(1);
  return school ?? null;
}

export async function holidaysOf(db: Queryable, schoolId: string): Promise<string[]> {
  return (await db.select({ day: holidays.day }).from(holidays).where(eq(holidays.schoolId, schoolId))).map(
    ({ day }) => day,
  );
}

export async function termsOf(db: Queryable, schoolId: string) {
  return db.select().from(terms).where(eq(terms.schoolId, schoolId)).orderBy(asc(terms.startDay));
}

export async function personById(db: Queryable, id: string): Promise<PersonRow | null> {
  const [person] = await db.select().from(people).where(eq(people.id, id));
  return person ?? null;
}

export async function peopleById(db: Queryable, ids: readonly string[]): Promise<PersonRow[]> {
  return ids.length === 0 ? [] : db.select().from(people).where(among(people.id, ids));
}

/** Whether somebody else at a school has a student number or an email address. */
export async function isTaken(
  db: Queryable,
  schoolId: string,
  what: { readonly studentNumber: string } | { readonly email: string },
  exceptId: string,
): Promise<boolean> {
  const same = "email" in what ? eq(people.email, what.email) : eq(people.studentNumber, what.studentNumber);
  const found = await db
    .select({ id: people.id })
    .from(people)
    .where(and(eq(people.schoolId, schoolId), same, ne(people.id, exceptId)))
    .limit(1);
  return found.length > 0;
}

/** The grade to reckon with for a student at work: their own, or else that of the class the work is for; null where neither is known. */
export async function gradeAtWork(db: Queryable, personId: string, classId: string): Promise<number | null> {
  const [found] = await db
    .select({ grade: sql<number | null>`coalesce(${people.grade}, ${classes.grade})` })
    .from(people)
    .innerJoin(classes, eq(classes.id, classId))
    .where(eq(people.id, personId));
  return found?.grade ?? null;
}

/** Staff who sign in with an address, at whatever schools; who signed in last comes first. */
export async function staffByEmail(db: Queryable, email: string): Promise<PersonRow[]> {
  const rows = await db
    .select({ person: people })
    .from(people)
    .leftJoin(credentials, eq(credentials.personId, people.id))
    .where(and(eq(people.email, email), eq(people.kind, "staff"), isNull(people.archivedAt)))
    .orderBy(desc(credentials.lastSignInAt), asc(people.id));
  return rows.map(({ person }) => person);
}

/** Classes with which some members of staff have to do on a day, by name, each with the role in it. */
export async function classesOfStaff(db: Queryable, personIds: readonly string[], day: string, archived: boolean) {
  return db
    .select({ personId: classStaff.personId, class: classes, role: classStaff.role })
    .from(classStaff)
    .innerJoin(classes, eq(classes.id, classStaff.classId))
    .where(
      and(
        among(classStaff.personId, personIds),
        holdsOn(day, classStaff.fromDay, classStaff.untilDay),
        archived ? isNotNull(classes.archivedAt) : isNull(classes.archivedAt),
      ),
    )
    .orderBy(asc(classes.name), asc(classes.id));
}

/** All classes of some schools, by name. */
export async function classesOfSchools(
  db: Queryable,
  schoolIds: readonly string[],
  archived: boolean,
): Promise<ClassRow[]> {
  if (schoolIds.length === 0) return [];
  return db
    .select()
    .from(classes)
    .where(
      and(
        inArray(classes.schoolId, [...schoolIds]),
        archived ? isNotNull(classes.archivedAt) : isNull(classes.archivedAt),
      ),
    )
    .orderBy(asc(classes.name), asc(classes.id));
}

export async function classesById(db: Queryable, ids: readonly string[]): Promise<ClassRow[]> {
  if (ids.length === 0) return [];
  return db
    .select()
    .from(classes)
    .where(inArray(classes.id, [...new Set(ids)]))
    .orderBy(asc(classes.name), asc(classes.id));
}

/** Every school that is not put away, those above others too. */
export async function allSchools(db: Queryable): Promise<SchoolRow[]> {
  return db.select().from(schools).where(isNull(schools.archivedAt));
}

/** The school of a row and everything below it, itself first; parents in a circle end where it closes. */
export async function schoolsBelow(db: Queryable, id: string): Promise<SchoolRow[]> {
  const all = await db.select().from(schools);
  const found = all.filter((school) => school.id === id);
  for (const above of found)
    found.push(...all.filter((school) => school.parentId === above.id && !found.includes(school)));
  return found;
}

/** A school and the schools that it is part of, level by level. */
async function schoolsAbove(db: Queryable, id: string): Promise<string[]> {
  const parents = new Map((await db.select().from(schools)).map((school) => [school.id, school.parentId]));
  const found: string[] = [];
  for (let at: string | null = id; at !== null && !found.includes(at); at = parents.get(at) ?? null) found.push(at);
  return found;
}

/**
 * Staff who may have to do with a student: on a class or group, or coordinators of the school or one above it. A wide net,
 * whatever the dates; what each of them may do is the policy's to say.
 */
export async function staffAround(
  db: Queryable,
  around: { readonly schoolId: string; readonly classIds: readonly string[]; readonly groupIds: readonly string[] },
): Promise<PersonRow[]> {
  const [classIds, groupIds] = [[...around.classIds], [...around.groupIds]];
  const rows = [
    ...(await db.select({ id: classStaff.personId }).from(classStaff).where(inArray(classStaff.classId, classIds))),
    ...(await db.select({ id: groups.ownerId }).from(groups).where(inArray(groups.id, groupIds))),
    ...(await db.select({ id: groupShares.personId }).from(groupShares).where(inArray(groupShares.groupId, groupIds))),
    ...(await db
      .select({ id: roles.personId })
      .from(roles)
      .where(and(inArray(roles.schoolId, await schoolsAbove(db, around.schoolId)), eq(roles.role, "coordinator")))),
  ];
  return db
    .select()
    .from(people)
    .where(
      and(
        inArray(people.id, [...new Set(rows.map(({ id }) => id))]),
        eq(people.kind, "staff"),
        isNull(people.archivedAt),
      ),
    );
}

/** A school with those that stand beside it under the same roof, such as a district's; only itself where there is none. */
export async function schoolsAround(db: Queryable, schoolId: string): Promise<SchoolRow[]> {
  const school = await schoolById(db, schoolId);
  if (!school) return [];
  return school.parentId === null ? [school] : schoolsBelow(db, school.parentId);
}

/** Schools at which some people hold a role on a day. */
export async function rolesOf(db: Queryable, personIds: readonly string[], day: string) {
  return db
    .select()
    .from(roles)
    .where(and(among(roles.personId, personIds), holdsOn(day, roles.fromDay, roles.untilDay)));
}

export async function staffOfSchools(db: Queryable, schoolIds: readonly string[]): Promise<PersonRow[]> {
  return db
    .select()
    .from(people)
    .where(and(inArray(people.schoolId, [...schoolIds]), eq(people.kind, "staff"), isNull(people.archivedAt)))
    .orderBy(asc(people.givenName), asc(people.familyName));
}

export async function classByCode(db: Queryable, code: string): Promise<ClassRow | null> {
  const [found] = await db
    .select()
    .from(classes)
    .where(and(eq(classes.code, code), isNull(classes.archivedAt)));
  return found ?? null;
}

/** The enrollments that hold on a day: the counterpart of the core's `isEnrolled`, with ties that are lent. */
export const enrolledOn = (day: string) =>
  and(or(isNull(enrollments.untilDay), gt(enrollments.untilDay, day)), stillLent("enrollments", day));

/** Students enrolled today in any of the classes, by given name; each once, with the class that comes first. */
export async function studentsOfClasses(db: Queryable, classIds: readonly string[], today: string) {
  const rows = await db
    .select({
      person: people,
      classId: enrollments.classId,
      enrollmentId: enrollments.id,
      fromDay: enrollments.fromDay,
      hasPin: credentials.personId,
      lockedUntil: credentials.lockedUntil,
      pinKind: credentials.kind,
      cardHash: credentials.cardHash,
      lastSignInAt: credentials.lastSignInAt,
    })
    .from(enrollments)
    .innerJoin(people, eq(people.id, enrollments.personId))
    .leftJoin(credentials, eq(credentials.personId, people.id))
    .where(and(inArray(enrollments.classId, [...classIds]), enrolledOn(today), isNull(people.archivedAt)))
    .orderBy(asc(people.givenName), asc(people.familyName));
  const seen = new Set<string>();
  return rows.filter(({ person }) => !seen.has(person.id) && seen.add(person.id));
}

/** Classes in which a student is enrolled today. */
export async function classesOfStudent(db: Queryable, personId: string, today: string): Promise<ClassRow[]> {
  const rows = await db
    .select({ class: classes })
    .from(enrollments)
    .innerJoin(classes, eq(classes.id, enrollments.classId))
    .where(and(eq(enrollments.personId, personId), enrolledOn(today), isNull(classes.archivedAt)));
  return rows.map((row) => row.class);
}

/** Active classes in which any of the students is enrolled today. */
export async function classIdsOfStudents(
  db: Queryable,
  personIds: readonly string[],
  today: string,
): Promise<string[]> {
  if (personIds.length === 0) return [];
  const rows = await db
    .selectDistinct({ id: enrollments.classId })
    .from(enrollments)
    .innerJoin(classes, eq(classes.id, enrollments.classId))
    .where(and(inArray(enrollments.personId, [...personIds]), enrolledOn(today), isNull(classes.archivedAt)));
  return rows.map(({ id }) => id);
}
