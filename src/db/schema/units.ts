import { index, integer, primaryKey, sqliteTable, text } from "drizzle-orm/sqlite-core";
import type { UnitGuide } from "../../core/model/unit";
import { skills, subjects } from "./library";

/** Skills that are taught together in two to four weeks, with what a teacher should know beforehand. */
export const units = sqliteTable(
  "units",
  {
    id: text("id").primaryKey(),
    subjectId: text("subject_id")
      .notNull()
      .references(() => subjects.id),
    grade: integer("grade").notNull(),
    /** In teaching order within the subject. */
    place: integer("place").notNull(),
    name: text("name").notNull(),
    /** School weeks that it takes. */
    weeks: integer("weeks").notNull(),
    guide: text("guide", { mode: "json" }).$type<UnitGuide>().notNull(),
    retiredAt: integer("retired_at"),
  },
  (t) => [index("units_by_subject").on(t.subjectId, t.place)],
);

export const unitSkills = sqliteTable(
  "unit_skills",
  {
    unitId: text("unit_id")
      .notNull()
      .references(() => units.id),
    skillId: text("skill_id")
      .notNull()
      .references(() => skills.id),
    place: integer("place").notNull(),
  },
  (t) => [primaryKey({ columns: [t.unitId, t.skillId] }), index("unit_skills_by_skill").on(t.skillId)],
);
