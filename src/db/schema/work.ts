import { index, integer, sqliteTable, text, uniqueIndex } from "drizzle-orm/sqlite-core";
import { skills } from "./library";
import { classes, people } from "./people";

export const works = sqliteTable(
  "works",
  {
    id: text("id").primaryKey(),
    classId: text("class_id")
      .notNull()
      .references(() => classes.id),
    /** "practice" adapts and ends when mastered; "check" gives a fixed number of items, first try counts. */
    kind: text("kind", { enum: ["practice", "check"] }).notNull(),
    title: text("title").notNull(),
    instructions: text("instructions").notNull(),
    opensAt: integer("opens_at").notNull(),
    dueAt: integer("due_at").notNull(),
    budgetItems: integer("budget_items").notNull(),
    createdBy: text("created_by")
      .notNull()
      .references(() => people.id),
    createdAt: integer("created_at").notNull(),
    withdrawnAt: integer("withdrawn_at"),
  },
  (t) => [index("works_by_class").on(t.classId, t.createdAt), index("works_by_author").on(t.createdBy)],
);

export const workSkills = sqliteTable(
  "work_skills",
  {
    id: text("id").primaryKey(),
    workId: text("work_id")
      .notNull()
      .references(() => works.id),
    skillId: text("skill_id")
      .notNull()
      .references(() => skills.id),
    place: integer("place").notNull(),
  },
  (t) => [uniqueIndex("work_skills_once").on(t.workId, t.skillId), index("work_skills_by_skill").on(t.skillId)],
);

export const workTargets = sqliteTable(
  "work_targets",
  {
    id: text("id").primaryKey(),
    workId: text("work_id")
      .notNull()
      .references(() => works.id),
    personId: text("person_id")
      .notNull()
      .references(() => people.id),
    /** Items granted beyond the work's budget. */
    extraItems: integer("extra_items").notNull().default(0),
  },
  (t) => [uniqueIndex("work_targets_once").on(t.workId, t.personId), index("work_targets_by_person").on(t.personId)],
);
