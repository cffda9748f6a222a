import { index, integer, primaryKey, real, sqliteTable, text, uniqueIndex } from "drizzle-orm/sqlite-core";
import type { Lesson, ReteachPlan } from "../../core/model/content";

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
    status: text("status", { enum: ["draft", "adopted", "retired"] }).notNull(),
  },
  (t) => [index("frameworks_by_subject").on(t.subjectId)],
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
  },
  (t) => [uniqueIndex("standards_by_code").on(t.frameworkId, t.code), index("standards_by_parent").on(t.parentId)],
);

export const standardLinks = sqliteTable(
  "standard_links",
  {
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
  (t) => [primaryKey({ columns: [t.fromId, t.toId, t.kind] }), index("standard_links_by_to").on(t.toId)],
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
