import { type AnySQLiteColumn, index, integer, sqliteTable, text, uniqueIndex } from "drizzle-orm/sqlite-core";
import { PLAN_LEVELS, PLAN_PACES, PLAN_PLACES } from "../../core/model/planPlace";
import { skills, subjects } from "./library";
import { classes, people, schools } from "./people";
import { units } from "./units";
import { assignments, works } from "./work";

/** A sequence of slots: of a person, of a school, or a class's own with its dates. */
export const plans = sqliteTable(
  "plans",
  {
    id: text("id").primaryKey(),
    schoolId: text("school_id")
      .notNull()
      .references(() => schools.id),
    /** Whose it is; null for the school's and for a class's own. */
    ownerId: text("owner_id").references(() => people.id),
    /** The class whose own plan it is, which gives it its dates; null for a plan to choose from. */
    classId: text("class_id").references(() => classes.id),
    subjectId: text("subject_id")
      .notNull()
      .references(() => subjects.id),
    grade: integer("grade").notNull(),
    name: text("name").notNull(),
    /** The plan that it was copied from; null for one that was made here or from what ships. */
    copiedFromId: text("copied_from_id").references((): AnySQLiteColumn => plans.id),
    /** Slots of the original that were copied or turned down: what is missing of them was taken out here, and is not offered again. */
    knownOrigins: text("known_origins", { mode: "json" }).$type<readonly string[]>().notNull().default([]),
    /** From here on a class's plan is for a class alone. The day on which its first slot may begin. */
    firstDay: text("first_day"),
    /** Days of the week with a lesson; 1 is Monday. */
    weekdays: text("weekdays", { mode: "json" }).$type<readonly number[]>(),
    /** Who let it run by itself, so that students are given what comes next without anybody assigning it; null where it does not. */
    runById: text("run_by").references(() => people.id),
    pace: text("pace", { enum: PLAN_PACES }).notNull().default("own"),
    createdAt: integer("created_at").notNull(),
    archivedAt: integer("archived_at"),
  },
  (t) => [
    uniqueIndex("plans_of_class").on(t.classId),
    index("plans_by_school").on(t.schoolId),
    index("plans_by_owner").on(t.ownerId),
    index("plans_by_subject").on(t.subjectId),
    index("plans_by_original").on(t.copiedFromId),
    index("plans_by_runner").on(t.runById),
  ],
);

/** Who else may copy or change a plan that has no class: a person, or everybody of a school. */
export const planRights = sqliteTable(
  "plan_rights",
  {
    id: text("id").primaryKey(),
    planId: text("plan_id")
      .notNull()
      .references(() => plans.id),
    personId: text("person_id").references(() => people.id),
    schoolId: text("school_id").references(() => schools.id),
    level: text("level", { enum: PLAN_LEVELS }).notNull(),
  },
  (t) => [
    index("plan_rights_by_plan").on(t.planId),
    index("plan_rights_by_person").on(t.personId),
    index("plan_rights_by_school").on(t.schoolId),
  ],
);

/** Where a student begins a class's plan: what lies before is passed over. A slot that is gone is no beginning. */
export const planStarts = sqliteTable(
  "plan_starts",
  {
    id: text("id").primaryKey(),
    planId: text("plan_id")
      .notNull()
      .references(() => plans.id),
    personId: text("person_id")
      .notNull()
      .references(() => people.id),
    slotId: text("slot_id").notNull(),
  },
  (t) => [uniqueIndex("plan_starts_once").on(t.planId, t.personId), index("plan_starts_by_person").on(t.personId)],
);

/** Practice on a skill that a plan running by itself gives: one assignment a skill, to which students come as it is their turn. */
export const planWorks = sqliteTable(
  "plan_works",
  {
    id: text("id").primaryKey(),
    planId: text("plan_id")
      .notNull()
      .references(() => plans.id),
    skillId: text("skill_id")
      .notNull()
      .references(() => skills.id),
    assignmentId: text("assignment_id")
      .notNull()
      .references(() => assignments.id),
  },
  (t) => [
    uniqueIndex("plan_works_once").on(t.planId, t.skillId),
    uniqueIndex("plan_works_by_assignment").on(t.assignmentId),
    index("plan_works_by_skill").on(t.skillId),
  ],
);

export const SLOT_KINDS = ["unit", "skills", "work", "text"] as const;

/** What a slot holds, without its place: what a copy is compared by. */
export interface SlotContent {
  readonly kind: (typeof SLOT_KINDS)[number];
  readonly unitId: string | null;
  readonly skillIds: readonly string[];
  readonly title: string;
  readonly lessons: number;
  readonly counted: boolean;
  readonly whereAt: (typeof PLAN_PLACES)[number];
  /** Items of a test; null for everything else, and missing in what was copied before there were any. */
  readonly items?: number | null;
  /** Kept work that is given at its place; null for everything else. */
  readonly workId?: string | null;
}

export const planSlots = sqliteTable(
  "plan_slots",
  {
    id: text("id").primaryKey(),
    planId: text("plan_id")
      .notNull()
      .references(() => plans.id),
    place: integer("place").notNull(),
    kind: text("kind", { enum: SLOT_KINDS }).notNull(),
    unitId: text("unit_id").references(() => units.id),
    /** Skills that are taught in it, in their order; a unit's own when it was put in. */
    skillIds: text("skill_ids", { mode: "json" }).$type<readonly string[]>().notNull(),
    workId: text("work_id").references(() => works.id),
    title: text("title").notNull(),
    lessons: integer("lessons").notNull(),
    /** The day before which it does not begin; null where it follows the slot before it. */
    fromDay: text("from_day"),
    /** Left out in this class. */
    skipped: integer("skipped", { mode: "boolean" }).notNull().default(false),
    /** Part of the sequence whose share counts; extras do not. */
    counted: integer("counted", { mode: "boolean" }).notNull().default(true),
    whereAt: text("where_at", { enum: PLAN_PLACES }).notNull().default("both"),
    /** Items of a test; null for everything else. */
    items: integer("items"),
    /** The slot that it was copied from, and how that stood then; null for one that was made here. */
    originId: text("origin_id"),
    originWas: text("origin_was", { mode: "json" }).$type<SlotContent>(),
    /** Rises with every change: who changes what somebody else has changed meanwhile is told. */
    version: integer("version").notNull().default(1),
  },
  (t) => [
    index("plan_slots_by_plan").on(t.planId, t.place),
    index("plan_slots_by_unit").on(t.unitId),
    index("plan_slots_by_work").on(t.workId),
  ],
);

/** The days of each skill in a class: what follows from its plan, kept for everybody who asks when a skill is taught. */
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
    /** Part of the sequence by which the class's position is told; extras are not. */
    counted: integer("counted", { mode: "boolean" }).notNull().default(true),
  },
  (t) => [uniqueIndex("plan_entries_once").on(t.classId, t.skillId), index("plan_entries_by_skill").on(t.skillId)],
);
