import "server-only";
import { and, asc, eq, inArray, isNull, sql } from "drizzle-orm";
import type { Queryable } from "../connection";
import { prepared } from "../prepared";
import {
  classes,
  classStaff,
  credentials,
  enrollments,
  holidays,
  people,
  schools,
  sessions,
  terms,
} from "../schema/people";

export type PersonRow = typeof people.$inferSelect;
export type ClassRow = typeof classes.$inferSelect;

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

export async function peopleByNumber(
  db: Queryable,
  schoolId: string,
  numbers: readonly string[],
): Promise<PersonRow[]> {
  if (numbers.length === 0) return [];
  return db
    .select()
    .from(people)
    .where(and(eq(people.schoolId, schoolId), inArray(people.studentNumber, [...numbers])));
}

export async function staffByEmail(db: Queryable, email: string): Promise<PersonRow | null> {
  const [person] = await db
    .select()
    .from(people)
    .where(and(eq(people.email, email), eq(people.kind, "staff")));
  return person ?? null;
}

/** Classes in which a member of staff teaches, by name; archived ones are left out. */
export async function classesOfStaff(db: Queryable, personId: string): Promise<ClassRow[]> {
  const rows = await db
    .select({ class: classes })
    .from(classStaff)
    .innerJoin(classes, eq(classes.id, classStaff.classId))
    .where(and(eq(classStaff.personId, personId), isNull(classes.archivedAt)))
    .orderBy(asc(classes.name));
  return rows.map((row) => row.class);
}

export async function classByCode(db: Queryable, code: string): Promise<ClassRow | null> {
  const [found] = await db
    .select()
    .from(classes)
    .where(and(eq(classes.code, code), isNull(classes.archivedAt)));
  return found ?? null;
}

/** Students now enrolled in any of the classes, by given name; each once, with the class that comes first. */
export async function studentsOfClasses(db: Queryable, classIds: readonly string[]) {
  const rows = await db
    .select({
      person: people,
      classId: enrollments.classId,
      enrollmentId: enrollments.id,
      hasPin: credentials.personId,
      lockedUntil: credentials.lockedUntil,
      failedTries: credentials.failedTries,
      lastSignInAt: credentials.lastSignInAt,
    })
    .from(enrollments)
    .innerJoin(people, eq(people.id, enrollments.personId))
    .leftJoin(credentials, eq(credentials.personId, people.id))
    .where(and(inArray(enrollments.classId, [...classIds]), isNull(enrollments.untilDay), isNull(people.archivedAt)))
    .orderBy(asc(people.givenName), asc(people.familyName));
  const seen = new Set<string>();
  return rows.filter(({ person }) => !seen.has(person.id) && seen.add(person.id));
}

/** Classes in which a student is enrolled now. */
export async function classesOfStudent(db: Queryable, personId: string): Promise<ClassRow[]> {
  const rows = await db
    .select({ class: classes })
    .from(enrollments)
    .innerJoin(classes, eq(classes.id, enrollments.classId))
    .where(and(eq(enrollments.personId, personId), isNull(enrollments.untilDay), isNull(classes.archivedAt)));
  return rows.map((row) => row.class);
}

export async function credentialOf(db: Queryable, personId: string) {
  const [credential] = await db.select().from(credentials).where(eq(credentials.personId, personId));
  return credential ?? null;
}

/** Sets a new secret and lifts any lock. */
export async function setSecret(tx: Queryable, personId: string, secretHash: string): Promise<void> {
  const fresh = { secretHash, failedTries: 0, lockedUntil: null };
  await tx
    .insert(credentials)
    .values({ personId, ...fresh })
    .onConflictDoUpdate({ target: credentials.personId, set: fresh });
}

export async function setTries(
  tx: Queryable,
  personId: string,
  values: { failedTries: number; lockedUntil: number | null; lastSignInAt?: number },
): Promise<void> {
  await tx.update(credentials).set(values).where(eq(credentials.personId, personId));
}

export async function insertSession(tx: Queryable, session: typeof sessions.$inferInsert): Promise<void> {
  await tx.insert(sessions).values(session);
}

const sessionByToken = prepared((db) =>
  db
    .select({ person: people, expiresAt: sessions.expiresAt, revokedAt: sessions.revokedAt })
    .from(sessions)
    .innerJoin(people, eq(people.id, sessions.personId))
    .where(eq(sessions.tokenHash, sql.placeholder("tokenHash")))
    .prepare(),
);

/** The person behind a session that is neither revoked nor over. */
export async function personOfSession(db: Queryable, tokenHash: string, now: number): Promise<PersonRow | null> {
  const [row] = await sessionByToken(db).all({ tokenHash });
  return row && row.revokedAt === null && row.expiresAt > now && row.person.archivedAt === null ? row.person : null;
}

export async function revokeSession(tx: Queryable, tokenHash: string, at: number): Promise<void> {
  await tx.update(sessions).set({ revokedAt: at }).where(eq(sessions.tokenHash, tokenHash));
}

export async function revokeSessionsOf(tx: Queryable, personId: string, at: number): Promise<void> {
  await tx
    .update(sessions)
    .set({ revokedAt: at })
    .where(and(eq(sessions.personId, personId), isNull(sessions.revokedAt)));
}
