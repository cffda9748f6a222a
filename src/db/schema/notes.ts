import { index, integer, sqliteTable, text, uniqueIndex } from "drizzle-orm/sqlite-core";
import { NOTED } from "../../core/model/noted";
import { people, schools } from "./people";

/** What somebody keeps for themselves on a skill or an item, over the years; one note a person and thing. */
export const notes = sqliteTable(
  "notes",
  {
    id: text("id").primaryKey(),
    schoolId: text("school_id")
      .notNull()
      .references(() => schools.id),
    personId: text("person_id")
      .notNull()
      .references(() => people.id),
    about: text("about", { enum: NOTED }).notNull(),
    /** Of the skill or the item. */
    aboutId: text("about_id").notNull(),
    text: text("text").notNull(),
    /** Whether the staff of the school reads it. */
    shared: integer("shared", { mode: "boolean" }).notNull(),
    changedAt: integer("changed_at").notNull(),
  },
  (t) => [
    uniqueIndex("notes_once").on(t.about, t.aboutId, t.personId),
    index("notes_by_person").on(t.personId),
    index("notes_by_school").on(t.schoolId),
  ],
);
