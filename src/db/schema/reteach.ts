import { sql } from "drizzle-orm";
import { index, integer, real, sqliteTable, text, uniqueIndex } from "drizzle-orm/sqlite-core";
import {
  APPROACHES,
  type OwnParts,
  VISIT_RESULTS,
  WORKED_VERDICTS,
  type WorkedFigures,
} from "../../core/model/reteach";
import { misconceptions, skills } from "./library";
import { people, schools } from "./people";
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
    /** How it is taught, and what lies under it where it goes one step down. */
    approach: text("approach", { enum: APPROACHES }).notNull().default("things"),
    lowerSkillId: text("lower_skill_id").references(() => skills.id),
    /** The known mistake that most of them shared on that day. */
    misconceptionId: text("misconception_id").references(() => misconceptions.id),
    minutes: integer("minutes").notNull().default(15),
    /** Who gave it; null in what was given before this was kept. */
    byId: text("by_id").references(() => people.id),
    /** School day on which the group was judged, once; null until then, and then so are the columns below. */
    judgedDay: text("judged_day"),
    worked: text("worked", { enum: WORKED_VERDICTS }),
    figures: text("figures", { mode: "json" }).$type<WorkedFigures>(),
  },
  (t) => [
    index("reteaches_by_group").on(t.groupId),
    index("reteaches_by_skill").on(t.skillId),
    index("reteaches_by_practice").on(t.practiceId),
    index("reteaches_by_lower_skill").on(t.lowerSkillId).where(sql`lower_skill_id is not null`),
    index("reteaches_by_misconception").on(t.misconceptionId).where(sql`misconception_id is not null`),
    index("reteaches_by_giver").on(t.byId),
    index("reteaches_open").on(t.createdAt).where(sql`judged_day is null`),
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
    /** What was believed of them in the skill that day; null in what was given before this was kept. */
    beliefMean: real("belief_mean"),
    beliefSpread: real("belief_spread"),
    /** Whether they were there when it was taught; null while nobody has said. */
    there: integer("there", { mode: "boolean" }),
    /** The chance that the check alone brings, from where they stood. */
    chanceByCheck: real("chance_by_check"),
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

/** A student like those of a reteach who is not taught and does the same check, for comparison: where they stood, and what came of it. */
export const reteachCompared = sqliteTable(
  "reteach_compared",
  {
    id: text("id").primaryKey(),
    reteachId: text("reteach_id")
      .notNull()
      .references(() => reteaches.id),
    personId: text("person_id")
      .notNull()
      .references(() => people.id),
    chanceBefore: real("chance_before").notNull(),
    beliefMean: real("belief_mean").notNull(),
    beliefSpread: real("belief_spread").notNull(),
    /** School day on which the check was handed in; null until then, and then so are the columns below. */
    judgedDay: text("judged_day"),
    chanceByCheck: real("chance_by_check"),
    checkRight: integer("check_right"),
    checkItems: integer("check_items"),
  },
  (t) => [
    uniqueIndex("reteach_compared_once").on(t.reteachId, t.personId),
    index("reteach_compared_by_person").on(t.personId),
  ],
);

/** What a teacher changed in the plan of a reteach, for the next time; one row a person, skill and approach. */
export const ownReteaches = sqliteTable(
  "own_reteaches",
  {
    id: text("id").primaryKey(),
    schoolId: text("school_id")
      .notNull()
      .references(() => schools.id),
    personId: text("person_id")
      .notNull()
      .references(() => people.id),
    skillId: text("skill_id")
      .notNull()
      .references(() => skills.id),
    approach: text("approach", { enum: APPROACHES }).notNull(),
    parts: text("parts", { mode: "json" }).$type<OwnParts>().notNull(),
    /** Whether the staff of the school reads it. */
    shared: integer("shared", { mode: "boolean" }).notNull(),
    changedAt: integer("changed_at").notNull(),
  },
  (t) => [
    uniqueIndex("own_reteaches_once").on(t.personId, t.skillId, t.approach),
    index("own_reteaches_by_skill").on(t.skillId),
    index("own_reteaches_by_school").on(t.schoolId),
  ],
);

/** A few minutes with one student on a skill, and what came of them. */
export const visits = sqliteTable(
  "visits",
  {
    id: text("id").primaryKey(),
    personId: text("person_id")
      .notNull()
      .references(() => people.id),
    byId: text("by_id")
      .notNull()
      .references(() => people.id),
    skillId: text("skill_id")
      .notNull()
      .references(() => skills.id),
    minutes: integer("minutes").notNull(),
    result: text("result", { enum: VISIT_RESULTS }).notNull(),
    at: integer("at").notNull(),
  },
  (t) => [
    index("visits_by_person").on(t.personId, t.at),
    index("visits_by_teacher").on(t.byId),
    index("visits_by_skill").on(t.skillId),
  ],
);
