import { index, integer, primaryKey, real, sqliteTable, text } from "drizzle-orm/sqlite-core";
import type { ItemModel, Lesson, ReteachPlan } from "../../core/model/content";

export const frameworks = sqliteTable("frameworks", { id: text("id").primaryKey(), name: text("name").notNull() });

export const standards = sqliteTable(
  "standards",
  {
    id: text("id").primaryKey(),
    frameworkId: text("framework_id")
      .notNull()
      .references(() => frameworks.id),
    strand: text("strand").notNull(),
    grade: integer("grade").notNull(),
    code: text("code").notNull(),
    statement: text("statement").notNull(),
  },
  (t) => [index("standards_by_framework").on(t.frameworkId)],
);

export const skills = sqliteTable(
  "skills",
  {
    id: text("id").primaryKey(),
    standardId: text("standard_id")
      .notNull()
      .references(() => standards.id),
    name: text("name").notNull(),
    studentName: text("student_name").notNull(),
    grade: integer("grade").notNull(),
    /** Logits on the subject's vertical scale. */
    difficulty: real("difficulty").notNull(),
    place: integer("place").notNull(),
    lesson: text("lesson", { mode: "json" }).$type<Lesson>().notNull(),
    reteach: text("reteach", { mode: "json" }).$type<ReteachPlan>().notNull(),
  },
  (t) => [index("skills_by_standard").on(t.standardId)],
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
    /** "precedes": from is a prerequisite of to; "contrasts": the two are easily confused. */
    kind: text("kind", { enum: ["precedes", "contrasts"] }).notNull(),
  },
  (t) => [primaryKey({ columns: [t.fromId, t.toId, t.kind] }), index("skill_links_by_to").on(t.toId)],
);

export const misconceptions = sqliteTable("misconceptions", {
  id: text("id").primaryKey(),
  name: text("name").notNull(),
  explanation: text("explanation").notNull(),
  feedback: text("feedback").notNull(),
});

/** Versions are never edited once an answer refers to them. */
export const itemModels = sqliteTable(
  "item_models",
  {
    id: text("id").notNull(),
    version: integer("version").notNull(),
    skillId: text("skill_id")
      .notNull()
      .references(() => skills.id),
    model: text("model", { mode: "json" }).$type<ItemModel>().notNull(),
    retiredAt: integer("retired_at"),
  },
  (t) => [primaryKey({ columns: [t.id, t.version] }), index("item_models_by_skill").on(t.skillId)],
);
