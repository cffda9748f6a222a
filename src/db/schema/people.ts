import { index, integer, sqliteTable, text, uniqueIndex } from "drizzle-orm/sqlite-core";
import { DECIMAL_MARKS } from "@/core/model/decimalMark";
import type { ClassRole, SchoolRole } from "@/core/model/roles";

/** Columns of a roster package that Oxbow has no use for; kept so that an export gives them back. */
type Extra = Readonly<Record<string, string>>;

export const schools = sqliteTable("schools", {
  id: text("id").primaryKey(),
  name: text("name").notNull(),
  /** IANA zone; decides which day it is. */
  timeZone: text("time_zone").notNull(),
  /** As the roster standard names it: "school", or "district", "department"… for what stands above or beside schools. */
  kind: text("kind").notNull().default("school"),
  parentId: text("parent_id"),
  /** Id under which the school's roster source knows it; null for what was made in Oxbow. */
  sourcedId: text("sourced_id"),
  extra: text("extra", { mode: "json" }).$type<Extra>(),
  archivedAt: integer("archived_at"),
  staffIdleMinutes: integer("staff_idle_minutes").notNull().default(120),
  studentIdleMinutes: integer("student_idle_minutes").notNull().default(40),
  /** Hours after a due time in which answers that waited on a device are believed to be given before it. */
  lateGraceHours: integer("late_grace_hours").notNull().default(72),
  /** What parts decimals in what is typed at the school. */
  decimalMark: text("decimal_mark", { enum: DECIMAL_MARKS }).notNull().default("point"),
  /** Years for which a student's evidence is kept after leaving. */
  keepYears: integer("keep_years").notNull().default(3),
  /** Ranges of network addresses ("10.20.0.0/16") from which a student is at school; none where nothing tells. */
  networks: text("networks", { mode: "json" }).$type<readonly string[]>().notNull().default([]),
});

export const terms = sqliteTable(
  "terms",
  {
    id: text("id").primaryKey(),
    schoolId: text("school_id")
      .notNull()
      .references(() => schools.id),
    name: text("name").notNull(),
    startDay: text("start_day").notNull(),
    endDay: text("end_day").notNull(),
    /** As the roster standard names it: "schoolYear", "semester", "term" or "gradingPeriod". */
    kind: text("kind").notNull().default("term"),
    parentId: text("parent_id"),
    /** The year in which the school year ends. */
    schoolYear: integer("school_year"),
    sourcedId: text("sourced_id"),
    extra: text("extra", { mode: "json" }).$type<Extra>(),
    /** When the roll-over closed it; its evidence stays. */
    closedAt: integer("closed_at"),
    archivedAt: integer("archived_at"),
  },
  (t) => [index("terms_by_school").on(t.schoolId)],
);

export const courses = sqliteTable(
  "courses",
  {
    id: text("id").primaryKey(),
    schoolId: text("school_id")
      .notNull()
      .references(() => schools.id),
    title: text("title").notNull(),
    subject: text("subject"),
    sourcedId: text("sourced_id"),
    extra: text("extra", { mode: "json" }).$type<Extra>(),
    archivedAt: integer("archived_at"),
  },
  (t) => [index("courses_by_school").on(t.schoolId)],
);

/** Days on which nothing is taught beside weekends. */
export const holidays = sqliteTable(
  "holidays",
  {
    /** The school and the day. */
    id: text("id").primaryKey(),
    schoolId: text("school_id")
      .notNull()
      .references(() => schools.id),
    day: text("day").notNull(),
    name: text("name").notNull(),
  },
  (t) => [uniqueIndex("holidays_once").on(t.schoolId, t.day)],
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
    username: text("username"),
    birthYear: integer("birth_year"),
    sourcedId: text("sourced_id"),
    extra: text("extra", { mode: "json" }).$type<Extra>(),
    archivedAt: integer("archived_at"),
    /** When name and evidence were erased on request; only anonymous totals are left. */
    erasedAt: integer("erased_at"),
  },
  (t) => [
    index("people_by_source").on(t.sourcedId),
    uniqueIndex("people_by_number").on(t.schoolId, t.studentNumber),
    uniqueIndex("people_by_email").on(t.schoolId, t.email),
    index("people_by_address").on(t.email),
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
    /** "own": made by a teacher in Oxbow; roster files neither change nor end it. */
    kind: text("kind", { enum: ["scheduled", "homeroom", "own"] })
      .notNull()
      .default("scheduled"),
    courseId: text("course_id").references(() => courses.id),
    /** Last day of a class that is meant for some weeks only. */
    untilDay: text("until_day"),
    sourcedId: text("sourced_id"),
    extra: text("extra", { mode: "json" }).$type<Extra>(),
  },
  (t) => [
    index("classes_by_school").on(t.schoolId),
    index("classes_by_term").on(t.termId),
    index("classes_by_course").on(t.courseId),
  ],
);

/** What a person is at a school, whatever the classes. */
export const roles = sqliteTable(
  "roles",
  {
    id: text("id").primaryKey(),
    personId: text("person_id")
      .notNull()
      .references(() => people.id),
    schoolId: text("school_id")
      .notNull()
      .references(() => schools.id),
    role: text("role").$type<SchoolRole>().notNull(),
    fromDay: text("from_day"),
    /** Last day of the role; null while it lasts. */
    untilDay: text("until_day"),
    sourcedId: text("sourced_id"),
    extra: text("extra", { mode: "json" }).$type<Extra>(),
  },
  (t) => [index("roles_by_person").on(t.personId), index("roles_by_school").on(t.schoolId)],
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
    role: text("role").$type<ClassRole>().notNull(),
    fromDay: text("from_day"),
    /** Last day of access; null while it lasts. */
    untilDay: text("until_day"),
    sourcedId: text("sourced_id"),
    extra: text("extra", { mode: "json" }).$type<Extra>(),
  },
  (t) => [index("class_staff_by_class").on(t.classId), index("class_staff_by_person").on(t.personId)],
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
    /** First day; one that is still to come counts at once, so that a class can be made ready before the term. */
    fromDay: text("from_day").notNull(),
    /** First day on which the student is no more in the class, as the roster standard counts; null while no end is known. */
    untilDay: text("until_day"),
    /** The tie (a row of class_staff or group_shares) by which its maker had the student; it holds as long as that does. */
    lentThrough: text("lent_through"),
    sourcedId: text("sourced_id"),
    extra: text("extra", { mode: "json" }).$type<Extra>(),
  },
  (t) => [index("enrollments_by_class").on(t.classId), index("enrollments_by_person").on(t.personId)],
);
