import { index, integer, primaryKey, real, sqliteTable, text } from "drizzle-orm/sqlite-core";
import { people, schools } from "./people";

/** What a student needs in order to show what they know; private to staff. One row a student. */
export const supports = sqliteTable("supports", {
  id: text("id").primaryKey(),
  personId: text("person_id")
    .notNull()
    .unique()
    .references(() => people.id),
  /** Times the usual time; 1 is the usual time. */
  timeFactor: real("time_factor").notNull().default(1),
  readAloud: integer("read_aloud", { mode: "boolean" }).notNull().default(false),
  largerText: integer("larger_text", { mode: "boolean" }).notNull().default(false),
  /** Share of the items that is given; 1 is all of them. */
  itemShare: real("item_share").notNull().default(1),
  separateSetting: integer("separate_setting", { mode: "boolean" }).notNull().default(false),
  homeLanguage: text("home_language").notNull().default(""),
  leaveOutOfTests: integer("leave_out_of_tests", { mode: "boolean" }).notNull().default(false),
  leaveOutReason: text("leave_out_reason").notNull().default(""),
  /** Of whose tests alone; null for all. */
  leaveOutSubjectId: text("leave_out_subject_id"),
  leaveOutUntil: text("leave_out_until"),
});

/** What a student likes, chosen by the student from a list; it colours the contexts of items. */
export const interests = sqliteTable(
  "interests",
  {
    id: text("id").primaryKey(),
    personId: text("person_id")
      .notNull()
      .references(() => people.id),
    interest: text("interest").notNull(),
  },
  (t) => [index("interests_by_person").on(t.personId)],
);

/** What a student set out to do; one row a student. */
export const studentGoals = sqliteTable("student_goals", {
  personId: text("person_id")
    .primaryKey()
    .references(() => people.id),
  /** Days of a week, 1 to 7, on which they mean to work. */
  daysAWeek: integer("days_a_week").notNull(),
  setAt: integer("set_at").notNull(),
});

/** A legal request to erase a student: one person asks, another confirms. */
export const erasures = sqliteTable(
  "erasures",
  {
    id: text("id").primaryKey(),
    schoolId: text("school_id")
      .notNull()
      .references(() => schools.id),
    personId: text("person_id")
      .notNull()
      .references(() => people.id),
    reason: text("reason").notNull(),
    requestedBy: text("requested_by")
      .notNull()
      .references(() => people.id),
    requestedAt: integer("requested_at").notNull(),
    decidedBy: text("decided_by").references(() => people.id),
    decidedAt: integer("decided_at"),
    outcome: text("outcome", { enum: ["erased", "declined"] }),
  },
  (t) => [
    index("erasures_by_school").on(t.schoolId),
    index("erasures_by_person").on(t.personId),
    index("erasures_by_asker").on(t.requestedBy),
    index("erasures_by_decider").on(t.decidedBy),
  ],
);

/** What is left of the answers of erased students: sums without a person, a class or a day. */
export const erasedTotals = sqliteTable(
  "erased_totals",
  {
    schoolId: text("school_id")
      .notNull()
      .references(() => schools.id),
    skillId: text("skill_id").notNull(),
    itemId: text("item_id").notNull(),
    answered: integer("answered").notNull(),
    right: integer("right").notNull(),
    milliseconds: integer("milliseconds").notNull(),
  },
  (t) => [primaryKey({ columns: [t.schoolId, t.skillId, t.itemId] })],
);
