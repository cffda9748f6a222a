import { index, integer, sqliteTable, text, uniqueIndex } from "drizzle-orm/sqlite-core";
import { skills } from "./library";
import { classes } from "./people";

export const planEntries = sqliteTable(
  "plan_entries",
  {
    id: text("id").primaryKey(),
    classId: text("class_id")
      .notNull()
      .references(() => classes.id),
    skillId: text("skill_id")
      .notNull()
      .references(() => skills.id),
    place: integer("place").notNull(),
    fromDay: text("from_day").notNull(),
    targetDay: text("target_day").notNull(),
  },
  (t) => [uniqueIndex("plan_entries_once").on(t.classId, t.skillId), index("plan_entries_by_skill").on(t.skillId)],
);
