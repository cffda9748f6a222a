import { sql } from "drizzle-orm";
import { index, integer, primaryKey, sqliteTable, text, uniqueIndex } from "drizzle-orm/sqlite-core";
import { TALK_REASONS } from "../../core/model/talk";
import { itemVersions } from "./items";
import { misconceptions, skills } from "./library";
import { classes, people } from "./people";
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
