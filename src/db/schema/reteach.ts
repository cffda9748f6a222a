import { index, integer, real, sqliteTable, text, uniqueIndex } from "drizzle-orm/sqlite-core";
import { skills } from "./library";
import { people } from "./people";
import { groups } from "./regroup";
import { assignments } from "./work";

/** A group taught again on a skill, with the practice and the check that it was given. */
export const reteaches = sqliteTable(
  "reteaches",
  {
    id: text("id").primaryKey(),
    groupId: text("group_id")
      .notNull()
      .references(() => groups.id),
    /** The skill that was retaught, whatever the group turns to later. */
    skillId: text("skill_id")
      .notNull()
      .references(() => skills.id),
    practiceId: text("practice_id")
      .notNull()
      .references(() => assignments.id),
    checkId: text("check_id")
      .notNull()
      .references(() => assignments.id),
    /** School day on which it was assigned. */
    assignedDay: text("assigned_day").notNull(),
    createdAt: integer("created_at").notNull(),
  },
  (t) => [
    index("reteaches_by_group").on(t.groupId),
    index("reteaches_by_skill").on(t.skillId),
    index("reteaches_by_practice").on(t.practiceId),
    uniqueIndex("reteaches_by_check").on(t.checkId),
  ],
);

/**
 * One student's reteach: where they stood when it was assigned, and what came of it. Judged once, when the check is handed in,
 * and kept: a chance that fades afterwards, or a student who leaves, changes no outcome.
 */
export const reteachStudents = sqliteTable(
  "reteach_students",
  {
    id: text("id").primaryKey(),
    reteachId: text("reteach_id")
      .notNull()
      .references(() => reteaches.id),
    personId: text("person_id")
      .notNull()
      .references(() => people.id),
    chanceBefore: real("chance_before").notNull(),
    /** School day of the verdict; null while the check is open, and then so are the columns below. */
    judgedDay: text("judged_day"),
    chanceAfter: real("chance_after"),
    checkRight: integer("check_right"),
    checkItems: integer("check_items"),
    verdict: text("verdict", { enum: ["learned", "closer", "round-again"] }),
  },
  (t) => [
    uniqueIndex("reteach_students_once").on(t.reteachId, t.personId),
    index("reteach_students_by_person").on(t.personId),
  ],
);
