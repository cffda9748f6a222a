import { index, integer, sqliteTable, text } from "drizzle-orm/sqlite-core";
import type { WorkPreset } from "../../core/model/workPreset";
import { people } from "./people";

/** Settings of work that somebody keeps under a name. */
export const workPresets = sqliteTable(
  "work_presets",
  {
    id: text("id").primaryKey(),
    ownerId: text("owner_id")
      .notNull()
      .references(() => people.id),
    name: text("name").notNull(),
    settings: text("settings", { mode: "json" }).$type<WorkPreset>().notNull(),
    keptAt: integer("kept_at").notNull(),
    archivedAt: integer("archived_at"),
  },
  (t) => [index("work_presets_by_owner").on(t.ownerId)],
);
