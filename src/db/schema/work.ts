import { sql } from "drizzle-orm";
import { type AnySQLiteColumn, index, integer, real, sqliteTable, text, uniqueIndex } from "drizzle-orm/sqlite-core";
import type { SeriesRules } from "../../core/model/series";
import {
  LINE_KINDS,
  type OpeningRule,
  type PartSettings,
  RELEASED,
  RETAKE_RULES,
  type ReleaseRules,
  type WorkKind,
} from "../../core/model/work";
import { itemVersions } from "./items";
import { skills } from "./library";
import { classes, people, schools } from "./people";
import { groups } from "./regroup";

/** The design of a piece of work: what it is made of, whoever it is given to. */
export const works = sqliteTable(
  "works",
  {
    id: text("id").primaryKey(),
    schoolId: text("school_id")
      .notNull()
      .references(() => schools.id),
    ownerId: text("owner_id")
      .notNull()
      .references(() => people.id),
    title: text("title").notNull(),
    instructions: text("instructions").notNull(),
    createdAt: integer("created_at").notNull(),
    archivedAt: integer("archived_at"),
    /** When its owner kept it to be found again; null for what was only given. */
    keptAt: integer("kept_at"),
    /** When its owner let the colleagues of the school use it. */
    sharedAt: integer("shared_at"),
    copiedFrom: text("copied_from").references((): AnySQLiteColumn => works.id),
  },
  (t) => [
    index("works_by_owner").on(t.ownerId),
    index("works_by_school").on(t.schoolId),
    index("works_by_original").on(t.copiedFrom).where(sql`copied_from is not null`),
  ],
);

/** A part of a piece of work, run by the conductor of its kind. */
export const parts = sqliteTable(
  "parts",
  {
    id: text("id").primaryKey(),
    workId: text("work_id")
      .notNull()
      .references(() => works.id),
    place: integer("place").notNull(),
    kind: text("kind").$type<WorkKind>().notNull(),
    settings: text("settings", { mode: "json" }).$type<PartSettings>().notNull(),
    /** Empty where the kind says enough. */
    title: text("title").notNull().default(""),
    /** All of them must hold before a student may begin; none for a part that is open at once. */
    opening: text("opening", { mode: "json" }).$type<readonly OpeningRule[]>().notNull().default(sql`'[]'`),
  },
  (t) => [uniqueIndex("parts_by_work").on(t.workId, t.place)],
);

export const partSkills = sqliteTable(
  "part_skills",
  {
    id: text("id").primaryKey(),
    partId: text("part_id")
      .notNull()
      .references(() => parts.id),
    skillId: text("skill_id")
      .notNull()
      .references(() => skills.id),
    place: integer("place").notNull(),
  },
  (t) => [uniqueIndex("part_skills_once").on(t.partId, t.skillId), index("part_skills_by_skill").on(t.skillId)],
);

/** Items that stand from the beginning, each as one draw, form by form: the same for everybody who has that form. */
export const partItems = sqliteTable(
  "part_items",
  {
    id: text("id").primaryKey(),
    partId: text("part_id")
      .notNull()
      .references(() => parts.id),
    /** The form by its letter; most parts have one. */
    form: text("form").notNull().default("A"),
    place: integer("place").notNull(),
    versionId: text("version_id")
      .notNull()
      .references(() => itemVersions.id),
    skillId: text("skill_id")
      .notNull()
      .references(() => skills.id),
    seed: integer("seed").notNull(),
    context: text("context").notNull(),
    /** What it weighs in the mark; null for what its own parts weigh. */
    points: integer("points"),
  },
  (t) => [
    uniqueIndex("part_items_by_part").on(t.partId, t.form, t.place),
    index("part_items_by_version").on(t.versionId),
    index("part_items_by_skill").on(t.skillId),
  ],
);

/** A piece of work as it was given: to whom, and when. The same work may be given again. */
export const assignments = sqliteTable(
  "assignments",
  {
    id: text("id").primaryKey(),
    workId: text("work_id")
      .notNull()
      .references(() => works.id),
    /** The class on which it hangs; a group's work hangs on the group's home class. */
    classId: text("class_id")
      .notNull()
      .references(() => classes.id),
    groupId: text("group_id").references(() => groups.id),
    givenBy: text("given_by")
      .notNull()
      .references(() => people.id),
    givenAt: integer("given_at").notNull(),
    opensAt: integer("opens_at").notNull(),
    /** Null where it has no due day. */
    dueAt: integer("due_at"),
    /** Until when late work is taken; null where the due time is the end. */
    closesAt: integer("closes_at"),
    withdrawnAt: integer("withdrawn_at"),
    /** Made ready, and on nobody's list yet. */
    isPrepared: integer("is_prepared", { mode: "boolean" }).notNull().default(false),
    /** Begun and gone on with only in the school's network, unless the code is known. */
    onlyAtSchool: integer("only_at_school", { mode: "boolean" }).notNull().default(false),
    /** Opens work for the school from elsewhere, for the rest of the day; null for none. */
    unlockCode: text("unlock_code"),
    /** As long as it is open, nothing else is. */
    goesFirst: integer("goes_first", { mode: "boolean" }).notNull().default(false),
    /** When students see the score, their answers with the key, and explanations. */
    release: text("release", { mode: "json" }).$type<ReleaseRules>().notNull().default(sql`'{}'`),
    /** Per cent of the mark from which a test counts as passed; null for none. */
    cutPercent: real("cut_percent"),
    /** Which mark counts where somebody tried again. */
    retake: text("retake", { enum: RETAKE_RULES }).notNull().default("latest"),
    /** Under which it stands in the gradebook; empty for none. */
    category: text("category").notNull().default(""),
    /** Chosen by its only student, and given by nobody else. */
    isOwnChoice: integer("is_own_choice", { mode: "boolean" }).notNull().default(false),
    /** A trial run of a member of staff, who is its only target: nothing of it is kept. */
    isTrial: integer("is_trial", { mode: "boolean" }).notNull().default(false),
    /** By which a class's spaced review is given: each day of a student is a run at it. */
    isReview: integer("is_review", { mode: "boolean" }).notNull().default(false),
    /** While it is held up for everybody. */
    pausedAt: integer("paused_at"),
    /** The series that gave it; null for what was given by itself. */
    seriesId: text("series_id").references((): AnySQLiteColumn => series.id),
    /** The school day that it is the piece of; a day has one piece of a series. */
    seriesDay: text("series_day"),
  },
  (t) => [
    index("assignments_by_class").on(t.classId, t.givenAt),
    index("assignments_by_work").on(t.workId),
    index("assignments_by_group").on(t.groupId),
    index("assignments_by_giver").on(t.givenBy),
    uniqueIndex("assignments_review_of_class").on(t.classId).where(sql`is_review = 1`),
    uniqueIndex("assignments_by_series").on(t.seriesId, t.seriesDay).where(sql`series_id is not null`),
  ],
);

/** One student who was given it. */
export const assignmentTargets = sqliteTable(
  "assignment_targets",
  {
    id: text("id").primaryKey(),
    assignmentId: text("assignment_id")
      .notNull()
      .references(() => assignments.id),
    personId: text("person_id")
      .notNull()
      .references(() => people.id),
    /** Items granted beyond the settings. */
    extraItems: integer("extra_items").notNull().default(0),
    /** Minutes granted beyond the settings and the student's supports. */
    extraMinutes: integer("extra_minutes").notNull().default(0),
    /** The form that this student has. */
    form: text("form").notNull().default("A"),
    /** A due time of their own; null for everybody's. */
    dueAt: integer("due_at"),
    /** Opened again for this student until then. */
    reopenedUntil: integer("reopened_until"),
    /** Need not do it, with the reason as the teacher wrote it. */
    excusedAt: integer("excused_at"),
    excusedBecause: text("excused_because").notNull().default(""),
    /** Was not there when it was done on paper. */
    absentAt: integer("absent_at"),
    /** The teacher counts it as nought, not having been handed in. */
    noughtAt: integer("nought_at"),
    /** The last day for which the unlock code was given. */
    unlockedDay: text("unlocked_day"),
  },
  (t) => [
    uniqueIndex("assignment_targets_once").on(t.assignmentId, t.personId),
    index("assignment_targets_by_person").on(t.personId),
  ],
);

/** Who is through with everything that is for them in what they were given. */
export const completions = sqliteTable("completions", {
  targetId: text("target_id")
    .primaryKey()
    .references(() => assignmentTargets.id),
  at: integer("at").notNull(),
});

/** A part that a teacher opened for a student, whatever its rules say. */
export const partOpenings = sqliteTable(
  "part_openings",
  {
    id: text("id").primaryKey(),
    targetId: text("target_id")
      .notNull()
      .references(() => assignmentTargets.id),
    partId: text("part_id")
      .notNull()
      .references(() => parts.id),
    openedBy: text("opened_by")
      .notNull()
      .references(() => people.id),
    at: integer("at").notNull(),
  },
  (t) => [
    uniqueIndex("part_openings_once").on(t.targetId, t.partId),
    index("part_openings_by_part").on(t.partId),
    index("part_openings_by_opener").on(t.openedBy),
  ],
);

/** A further try at a part that a student was given; the first needs no row. */
export const furtherTries = sqliteTable(
  "further_tries",
  {
    id: text("id").primaryKey(),
    targetId: text("target_id")
      .notNull()
      .references(() => assignmentTargets.id),
    partId: text("part_id")
      .notNull()
      .references(() => parts.id),
    /** The number of the try, from 2. */
    attempt: integer("attempt").notNull(),
    /** The form that it has. */
    form: text("form").notNull(),
    grantedBy: text("granted_by")
      .notNull()
      .references(() => people.id),
    at: integer("at").notNull(),
  },
  (t) => [
    uniqueIndex("further_tries_once").on(t.targetId, t.partId, t.attempt),
    index("further_tries_by_part").on(t.partId),
    index("further_tries_by_granter").on(t.grantedBy),
  ],
);

/** What a teacher let students see of what was given. */
export const releases = sqliteTable(
  "releases",
  {
    id: text("id").primaryKey(),
    assignmentId: text("assignment_id")
      .notNull()
      .references(() => assignments.id),
    what: text("what", { enum: RELEASED }).notNull(),
    releasedBy: text("released_by")
      .notNull()
      .references(() => people.id),
    at: integer("at").notNull(),
  },
  (t) => [uniqueIndex("releases_once").on(t.assignmentId, t.what), index("releases_by_releaser").on(t.releasedBy)],
);

/** Work that is given again and again: what, from where, on which days. */
export const series = sqliteTable(
  "series",
  {
    id: text("id").primaryKey(),
    classId: text("class_id")
      .notNull()
      .references(() => classes.id),
    ownerId: text("owner_id")
      .notNull()
      .references(() => people.id),
    title: text("title").notNull(),
    kind: text("kind").$type<WorkKind>().notNull(),
    rules: text("rules", { mode: "json" }).$type<SeriesRules>().notNull(),
    /** Who gets it; null for everybody who is in the class on the day. */
    studentIds: text("student_ids", { mode: "json" }).$type<readonly string[]>(),
    fromDay: text("from_day").notNull(),
    toDay: text("to_day").notNull(),
    createdAt: integer("created_at").notNull(),
    /** From then on it gives nothing more. */
    endedAt: integer("ended_at"),
  },
  (t) => [index("series_by_class").on(t.classId), index("series_by_owner").on(t.ownerId)],
);

/** A line from a teacher to one student: on their page until it is read, and a reminder until its work is done. */
export const studentLines = sqliteTable(
  "student_lines",
  {
    id: text("id").primaryKey(),
    personId: text("person_id")
      .notNull()
      .references(() => people.id),
    classId: text("class_id")
      .notNull()
      .references(() => classes.id),
    fromId: text("from_id")
      .notNull()
      .references(() => people.id),
    /** The work that it is about, if any. */
    assignmentId: text("assignment_id").references(() => assignments.id),
    kind: text("kind", { enum: LINE_KINDS }).notNull(),
    text: text("text").notNull(),
    at: integer("at").notNull(),
    readAt: integer("read_at"),
  },
  (t) => [
    index("student_lines_by_person").on(t.personId, t.at),
    index("student_lines_by_work").on(t.assignmentId).where(sql`assignment_id is not null`),
    index("student_lines_by_class").on(t.classId),
    index("student_lines_by_sender").on(t.fromId),
  ],
);
