import { index, integer, sqliteTable, text } from "drizzle-orm/sqlite-core";
import { people, schools } from "./people";

/** One row of one table before and after a change; null stands for "no such row". */
export interface RowChange {
  readonly table: string;
  readonly id: string;
  readonly before: Readonly<Record<string, unknown>> | null;
  readonly after: Readonly<Record<string, unknown>> | null;
}

export const changes = sqliteTable(
  "changes",
  {
    id: text("id").primaryKey(),
    schoolId: text("school_id")
      .notNull()
      .references(() => schools.id),
    classId: text("class_id"),
    actorId: text("actor_id")
      .notNull()
      .references(() => people.id),
    at: integer("at").notNull(),
    kind: text("kind").notNull(),
    summary: text("summary").notNull(),
    rows: text("rows", { mode: "json" }).$type<RowChange[]>().notNull(),
    undoneAt: integer("undone_at"),
  },
  (t) => [index("changes_by_class").on(t.classId, t.at), index("changes_by_school").on(t.schoolId, t.at)],
);

/** A roster file on its way in: kept until applied or dropped, so that a reload loses nothing. */
export const rosterDrafts = sqliteTable("roster_drafts", {
  id: text("id").primaryKey(),
  ownerId: text("owner_id")
    .notNull()
    .references(() => people.id),
  classId: text("class_id"),
  newClassName: text("new_class_name"),
  newClassGrade: integer("new_class_grade"),
  fileName: text("file_name").notNull(),
  headers: text("headers", { mode: "json" }).$type<string[]>().notNull(),
  rows: text("rows", { mode: "json" }).$type<string[][]>().notNull(),
  notes: text("notes", { mode: "json" }).$type<string[]>().notNull(),
  mapping: text("mapping", { mode: "json" }).$type<Record<string, number | null>>().notNull(),
  createdAt: integer("created_at").notNull(),
  appliedAt: integer("applied_at"),
  changeId: text("change_id"),
});
