import { index, integer, primaryKey, sqliteTable, text, uniqueIndex } from "drizzle-orm/sqlite-core";

export const schools = sqliteTable("schools", {
  id: text("id").primaryKey(),
  name: text("name").notNull(),
  /** IANA zone; decides which day it is. */
  timeZone: text("time_zone").notNull(),
});

export const terms = sqliteTable("terms", {
  id: text("id").primaryKey(),
  schoolId: text("school_id")
    .notNull()
    .references(() => schools.id),
  name: text("name").notNull(),
  startDay: text("start_day").notNull(),
  endDay: text("end_day").notNull(),
});

export const holidays = sqliteTable(
  "holidays",
  {
    schoolId: text("school_id")
      .notNull()
      .references(() => schools.id),
    day: text("day").notNull(),
    name: text("name").notNull(),
  },
  (t) => [primaryKey({ columns: [t.schoolId, t.day] })],
);

export const people = sqliteTable(
  "people",
  {
    id: text("id").primaryKey(),
    schoolId: text("school_id")
      .notNull()
      .references(() => schools.id),
    kind: text("kind", { enum: ["staff", "student"] }).notNull(),
    givenName: text("given_name").notNull(),
    familyName: text("family_name").notNull(),
    /** The school's own number for a student; null for staff. */
    studentNumber: text("student_number"),
    grade: integer("grade"),
    email: text("email"),
    archivedAt: integer("archived_at"),
  },
  (t) => [
    uniqueIndex("people_by_number").on(t.schoolId, t.studentNumber),
    uniqueIndex("people_by_email").on(t.schoolId, t.email),
  ],
);

export const classes = sqliteTable(
  "classes",
  {
    id: text("id").primaryKey(),
    schoolId: text("school_id")
      .notNull()
      .references(() => schools.id),
    termId: text("term_id")
      .notNull()
      .references(() => terms.id),
    name: text("name").notNull(),
    subject: text("subject").notNull(),
    grade: integer("grade").notNull(),
    /** What students type to find their class. */
    code: text("code").notNull().unique(),
    archivedAt: integer("archived_at"),
  },
  (t) => [index("classes_by_school").on(t.schoolId)],
);

export const classStaff = sqliteTable(
  "class_staff",
  {
    id: text("id").primaryKey(),
    classId: text("class_id")
      .notNull()
      .references(() => classes.id),
    personId: text("person_id")
      .notNull()
      .references(() => people.id),
    role: text("role", { enum: ["teacher", "co-teacher"] }).notNull(),
  },
  (t) => [uniqueIndex("class_staff_once").on(t.classId, t.personId), index("class_staff_by_person").on(t.personId)],
);

export const enrollments = sqliteTable(
  "enrollments",
  {
    id: text("id").primaryKey(),
    classId: text("class_id")
      .notNull()
      .references(() => classes.id),
    personId: text("person_id")
      .notNull()
      .references(() => people.id),
    fromDay: text("from_day").notNull(),
    /** Last day in the class; null while enrolled. */
    untilDay: text("until_day"),
  },
  (t) => [index("enrollments_by_class").on(t.classId), index("enrollments_by_person").on(t.personId)],
);

export const credentials = sqliteTable("credentials", {
  personId: text("person_id")
    .primaryKey()
    .references(() => people.id, { onDelete: "cascade" }),
  /** Argon2id hash of a staff password or a student PIN. */
  secretHash: text("secret_hash").notNull(),
  failedTries: integer("failed_tries").notNull().default(0),
  lockedUntil: integer("locked_until"),
  lastSignInAt: integer("last_sign_in_at"),
});

export const sessions = sqliteTable(
  "sessions",
  {
    /** SHA-256 of the cookie's token: a stolen database opens no session. */
    tokenHash: text("token_hash").primaryKey(),
    personId: text("person_id")
      .notNull()
      .references(() => people.id, { onDelete: "cascade" }),
    createdAt: integer("created_at").notNull(),
    expiresAt: integer("expires_at").notNull(),
    revokedAt: integer("revoked_at"),
  },
  (t) => [index("sessions_by_person").on(t.personId)],
);
