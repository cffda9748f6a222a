import { sql } from "drizzle-orm";
import { index, integer, sqliteTable, text, uniqueIndex } from "drizzle-orm/sqlite-core";
import { type OwnReviewSettings, REVIEW_PLACES } from "../../core/model/reviewSettings";
import { skills } from "./library";
import { classes, people } from "./people";

/** How a class keeps what was learned (no person), and what one student of it has that differs. */
export const reviewSettings = sqliteTable(
  "review_settings",
  {
    id: text("id").primaryKey(),
    classId: text("class_id")
      .notNull()
      .references(() => classes.id),
    personId: text("person_id").references(() => people.id),
    /** Whether anything is reviewed at all. */
    on: integer("on", { mode: "boolean" }).notNull(),
    /** Of a class all of them; of a student only what differs. */
    settings: text("settings", { mode: "json" }).$type<OwnReviewSettings>().notNull(),
    /** In whose name review is given: who changed it last. */
    setBy: text("set_by")
      .notNull()
      .references(() => people.id),
  },
  (t) => [
    uniqueIndex("review_settings_of_class").on(t.classId).where(sql`person_id is null`),
    uniqueIndex("review_settings_of_student").on(t.classId, t.personId).where(sql`person_id is not null`),
    index("review_settings_by_class").on(t.classId),
    index("review_settings_by_person").on(t.personId).where(sql`person_id is not null`),
    index("review_settings_by_setter").on(t.setBy),
  ],
);

/** Where a skill was put by hand, for a class (no person) or one student of it; what has no row enters as the settings say. */
export const reviewSkills = sqliteTable(
  "review_skills",
  {
    id: text("id").primaryKey(),
    classId: text("class_id")
      .notNull()
      .references(() => classes.id),
    personId: text("person_id").references(() => people.id),
    skillId: text("skill_id")
      .notNull()
      .references(() => skills.id),
    place: text("place", { enum: REVIEW_PLACES }).notNull(),
    /** School day on which it was put there. */
    day: text("day").notNull(),
  },
  (t) => [
    uniqueIndex("review_skills_of_class").on(t.classId, t.skillId).where(sql`person_id is null`),
    uniqueIndex("review_skills_of_student").on(t.classId, t.personId, t.skillId).where(sql`person_id is not null`),
    index("review_skills_by_class").on(t.classId),
    index("review_skills_by_person").on(t.personId).where(sql`person_id is not null`),
    index("review_skills_by_skill").on(t.skillId),
  ],
);
