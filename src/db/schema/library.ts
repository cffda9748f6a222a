import { index, integer, primaryKey, real, sqliteTable, text, uniqueIndex } from "drizzle-orm/sqlite-core";
import type { Lesson, ReteachPlan, SkillTeaching } from "../../core/model/content";
import { schools } from "./people";

export const subjects = sqliteTable("subjects", { id: text("id").primaryKey(), name: text("name").notNull() });

/** A published set of standards; a class follows one for each subject that it is taught. */
export const frameworks = sqliteTable(
  "frameworks",
  {
    id: text("id").primaryKey(),
    subjectId: text("subject_id")
      .notNull()
      .references(() => subjects.id),
    /** Identifier under which the framework is exchanged (CASE); null until it has one. */
    caseId: text("case_id"),
    title: text("title").notNull(),
    version: text("version").notNull(),
    language: text("language").notNull(),
    /** The adopted one of a subject is followed by every school that has not chosen another. */
    status: text("status", { enum: ["draft", "adopted", "retired"] }).notNull(),
    /** Came with Oxbow's own content, which brings it up to date. */
    shipped: integer("shipped", { mode: "boolean" }).notNull().default(false),
    /** Who published it; empty where nobody said. */
    creator: text("creator").notNull().default(""),
    /** What its file said that nothing here reads: of the document, associations, whole parts. */
    unread: text("unread", { mode: "json" }).$type<FrameworkUnread>(),
  },
  (t) => [index("frameworks_by_subject").on(t.subjectId)],
);

export interface FrameworkUnread {
  readonly document: Readonly<Record<string, unknown>>;
  readonly associations: readonly unknown[];
  /** Ties to standards that are not in the library. */
  readonly links: readonly object[];
  readonly parts: Readonly<Record<string, unknown>>;
}

/** The framework that a school follows in a subject, where it is not the adopted one. */
export const followedFrameworks = sqliteTable(
  "followed_frameworks",
  {
    id: text("id").primaryKey(),
    schoolId: text("school_id")
      .notNull()
      .references(() => schools.id),
    subjectId: text("subject_id")
      .notNull()
      .references(() => subjects.id),
    frameworkId: text("framework_id")
      .notNull()
      .references(() => frameworks.id),
  },
  (t) => [
    uniqueIndex("followed_frameworks_once").on(t.schoolId, t.subjectId),
    index("followed_frameworks_by_subject").on(t.subjectId),
    index("followed_frameworks_by_framework").on(t.frameworkId),
  ],
);

/** A tree of any depth. */
export const standards = sqliteTable(
  "standards",
  {
    id: text("id").primaryKey(),
    frameworkId: text("framework_id")
      .notNull()
      .references(() => frameworks.id),
    caseId: text("case_id"),
    parentId: text("parent_id"),
    place: integer("place").notNull(),
    /** As the framework names its levels: "strand", "standard"… */
    type: text("type").notNull(),
    code: text("code").notNull(),
    statement: text("statement").notNull(),
    gradeLow: integer("grade_low"),
    gradeHigh: integer("grade_high"),
    /** What its file said that nothing here reads. */
    unread: text("unread", { mode: "json" }).$type<Readonly<Record<string, unknown>>>(),
    /** The association that puts it under its parent, as its file had it; null where it was made here. */
    branch: text("branch", { mode: "json" }).$type<StandardBranch>(),
    /** Gone from its framework, but something stands under it. */
    retiredAt: integer("retired_at"),
  },
  (t) => [
    index("standards_by_code").on(t.frameworkId, t.code),
    index("standards_by_case").on(t.caseId),
    index("standards_by_parent").on(t.parentId),
  ],
);

export interface StandardBranch {
  readonly caseId: string;
  readonly unread: Readonly<Record<string, unknown>>;
}

export const standardLinks = sqliteTable(
  "standard_links",
  {
    id: text("id").notNull(),
    /** Identifier under which the association is exchanged; null where it was made here. */
    caseId: text("case_id"),
    unread: text("unread", { mode: "json" }).$type<Readonly<Record<string, unknown>>>(),
    fromId: text("from_id")
      .notNull()
      .references(() => standards.id),
    toId: text("to_id")
      .notNull()
      .references(() => standards.id),
    kind: text("kind", { enum: ["precedes", "same", "related", "part-of"] }).notNull(),
    /** Who says so. */
    source: text("source").notNull(),
  },
  (t) => [
    primaryKey({ columns: [t.fromId, t.toId, t.kind] }),
    uniqueIndex("standard_links_by_id").on(t.id),
    index("standard_links_by_to").on(t.toId),
  ],
);

export const skills = sqliteTable(
  "skills",
  {
    id: text("id").primaryKey(),
    subjectId: text("subject_id")
      .notNull()
      .references(() => subjects.id),
    strand: text("strand").notNull(),
    /** In teaching order within the subject: nothing stands before what it builds on. */
    place: integer("place").notNull(),
    name: text("name").notNull(),
    studentName: text("student_name").notNull(),
    grade: integer("grade").notNull(),
    /** Logits on the subject's vertical scale, with the standard error where it was estimated. */
    difficulty: real("difficulty").notNull(),
    difficultySe: real("difficulty_se"),
    lesson: text("lesson", { mode: "json" }).$type<Lesson>().notNull(),
    /** What is taught beyond the lesson; null where nobody wrote it. */
    teaching: text("teaching", { mode: "json" }).$type<SkillTeaching>(),
    reteach: text("reteach", { mode: "json" }).$type<ReteachPlan>().notNull(),
    /** SHA-256 of what shipped; null for what was written here. */
    contentHash: text("content_hash"),
    retiredAt: integer("retired_at"),
  },
  (t) => [index("skills_by_subject").on(t.subjectId, t.place)],
);

export const skillStandards = sqliteTable(
  "skill_standards",
  {
    skillId: text("skill_id")
      .notNull()
      .references(() => skills.id),
    standardId: text("standard_id")
      .notNull()
      .references(() => standards.id),
  },
  (t) => [primaryKey({ columns: [t.skillId, t.standardId] }), index("skill_standards_by_standard").on(t.standardId)],
);

export const skillLinks = sqliteTable(
  "skill_links",
  {
    fromId: text("from_id")
      .notNull()
      .references(() => skills.id),
    toId: text("to_id")
      .notNull()
      .references(() => skills.id),
    /** "precedes": from is a prerequisite of to; "contrasts": the two are easily confused; "contains": practising from practises to. */
    kind: text("kind", { enum: ["precedes", "contrasts", "contains"] }).notNull(),
  },
  (t) => [primaryKey({ columns: [t.fromId, t.toId, t.kind] }), index("skill_links_by_to").on(t.toId)],
);

export const misconceptions = sqliteTable("misconceptions", {
  id: text("id").primaryKey(),
  name: text("name").notNull(),
  explanation: text("explanation").notNull(),
  feedback: text("feedback").notNull(),
});
