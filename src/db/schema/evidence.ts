import { sql } from "drizzle-orm";
import { index, integer, primaryKey, sqliteTable, text, uniqueIndex } from "drizzle-orm/sqlite-core";
import { GOAL_LEVELS, GOAL_UNITS } from "../../core/model/goal";
import { TALK_REASONS } from "../../core/model/talk";
import { itemVersions } from "./items";
import { misconceptions, skills } from "./library";
import { classes, people, schools } from "./people";
import { assignments } from "./work";

/** When a member of staff last looked at a class's evidence: what is new since is told by it. */
export const reportLooks = sqliteTable(
  "report_looks",
  {
    personId: text("person_id")
      .notNull()
      .references(() => people.id),
    classId: text("class_id")
      .notNull()
      .references(() => classes.id),
    at: integer("at").notNull(),
    /** The end of the visit before this one; null in the first. */
    before: integer("before"),
  },
  (t) => [primaryKey({ columns: [t.personId, t.classId] }), index("report_looks_by_class").on(t.classId)],
);

/** Why something went wrong, as a teacher judges after a word with the student. */
export const talkNotes = sqliteTable(
  "talk_notes",
  {
    id: text("id").primaryKey(),
    personId: text("person_id")
      .notNull()
      .references(() => people.id),
    byId: text("by_id")
      .notNull()
      .references(() => people.id),
    skillId: text("skill_id")
      .notNull()
      .references(() => skills.id),
    /** The item that it was about, in the work that it was in; null where it was about a mistake over several. */
    versionId: text("version_id").references(() => itemVersions.id),
    assignmentId: text("assignment_id").references(() => assignments.id),
    misconceptionId: text("misconception_id").references(() => misconceptions.id),
    reason: text("reason", { enum: TALK_REASONS }).notNull(),
    at: integer("at").notNull(),
  },
  (t) => [
    index("talk_notes_by_person").on(t.personId, t.at),
    index("talk_notes_by_teacher").on(t.byId),
    index("talk_notes_by_skill").on(t.skillId),
    index("talk_notes_by_version").on(t.versionId).where(sql`version_id is not null`),
    index("talk_notes_by_work").on(t.assignmentId).where(sql`assignment_id is not null`),
    index("talk_notes_by_misconception").on(t.misconceptionId).where(sql`misconception_id is not null`),
  ],
);

/** What a class is expected to do in a whole week of five school days; one row a class. */
export const weekExpectations = sqliteTable(
  "week_expectations",
  {
    id: text("id").primaryKey(),
    classId: text("class_id")
      .notNull()
      .references(() => classes.id),
    minutes: integer("minutes").notNull(),
    pieces: integer("pieces").notNull(),
  },
  (t) => [uniqueIndex("week_expectations_once").on(t.classId)],
);

/** A colleague is pointed to a view with a sentence, for a day; a line in their Today until it is done. */
export const pointers = sqliteTable(
  "pointers",
  {
    id: text("id").primaryKey(),
    schoolId: text("school_id")
      .notNull()
      .references(() => schools.id),
    fromId: text("from_id")
      .notNull()
      .references(() => people.id),
    toId: text("to_id")
      .notNull()
      .references(() => people.id),
    /** The address of the view within the application. */
    path: text("path").notNull(),
    sentence: text("sentence").notNull(),
    /** School day by which it should be looked at. */
    day: text("day").notNull(),
    at: integer("at").notNull(),
    doneAt: integer("done_at"),
  },
  (t) => [
    index("pointers_by_school").on(t.schoolId),
    index("pointers_by_sender").on(t.fromId, t.at),
    index("pointers_by_receiver").on(t.toId, t.doneAt),
  ],
);

/** A line of somebody's Today that was put off. It comes back on its day, or once what it says is another. */
export const putOffLines = sqliteTable(
  "put_off_lines",
  {
    personId: text("person_id")
      .notNull()
      .references(() => people.id),
    /** The matter, the same on every day. */
    key: text("key").notNull(),
    /** What it came to, in few letters. */
    said: text("said").notNull(),
    /** School day on which it comes back; null for only once it is another. */
    untilDay: text("until_day"),
    at: integer("at").notNull(),
  },
  (t) => [primaryKey({ columns: [t.personId, t.key] })],
);

/** What a class is to come to by a day: so much of something each, or some skills at a level. */
export const classGoals = sqliteTable(
  "class_goals",
  {
    id: text("id").primaryKey(),
    classId: text("class_id")
      .notNull()
      .references(() => classes.id),
    aim: text("aim", { enum: ["amount", "level"] }).notNull(),
    /** Of an amount: what, and how much of it each student. */
    unit: text("unit", { enum: GOAL_UNITS }),
    target: integer("target"),
    /** Of a level: which, and in what. */
    level: text("level", { enum: GOAL_LEVELS }),
    skillIds: text("skill_ids", { mode: "json" }).$type<readonly string[]>(),
    fromDay: text("from_day").notNull(),
    untilDay: text("until_day").notNull(),
    /** When somebody gave it up; null for none. */
    archivedAt: integer("archived_at"),
  },
  (t) => [index("class_goals_by_class").on(t.classId, t.untilDay)],
);
