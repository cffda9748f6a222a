import { index, integer, sqliteTable, text, uniqueIndex } from "drizzle-orm/sqlite-core";
import type { PartSettings, WorkKind } from "../../core/model/work";
import { itemVersions } from "./items";
import { skills } from "./library";
import { classes, people, schools } from "./people";
import { groups } from "./regroup";

/** The design of a piece of work: what it is made of, whoever it is given to. */
export const works = sqliteTable(
  "works",
  {
    id: text("id").primaryKey(),
    schoolId: text("school_id")
      .notNull()
      .references(() => schools.id),
    ownerId: text("owner_id")
      .notNull()
      .references(() => people.id),
    title: text("title").notNull(),
    instructions: text("instructions").notNull(),
    createdAt: integer("created_at").notNull(),
    archivedAt: integer("archived_at"),
  },
  (t) => [index("works_by_owner").on(t.ownerId), index("works_by_school").on(t.schoolId)],
);

/** A part of a piece of work, run by the conductor of its kind. */
export const parts = sqliteTable(
  "parts",
  {
    id: text("id").primaryKey(),
    workId: text("work_id")
      .notNull()
      .references(() => works.id),
    place: integer("place").notNull(),
    kind: text("kind").$type<WorkKind>().notNull(),
    settings: text("settings", { mode: "json" }).$type<PartSettings>().notNull(),
  },
  (t) => [uniqueIndex("parts_by_work").on(t.workId, t.place)],
);

export const partSkills = sqliteTable(
  "part_skills",
  {
    id: text("id").primaryKey(),
    partId: text("part_id")
      .notNull()
      .references(() => parts.id),
    skillId: text("skill_id")
      .notNull()
      .references(() => skills.id),
    place: integer("place").notNull(),
  },
  (t) => [uniqueIndex("part_skills_once").on(t.partId, t.skillId), index("part_skills_by_skill").on(t.skillId)],
);

/** Items that somebody picked by hand, each as one draw: the same for everybody. */
export const partItems = sqliteTable(
  "part_items",
  {
    id: text("id").primaryKey(),
    partId: text("part_id")
      .notNull()
      .references(() => parts.id),
    place: integer("place").notNull(),
    versionId: text("version_id")
      .notNull()
      .references(() => itemVersions.id),
    skillId: text("skill_id")
      .notNull()
      .references(() => skills.id),
    seed: integer("seed").notNull(),
    context: text("context").notNull(),
  },
  (t) => [
    uniqueIndex("part_items_by_part").on(t.partId, t.place),
    index("part_items_by_version").on(t.versionId),
    index("part_items_by_skill").on(t.skillId),
  ],
);

/** A piece of work as it was given: to whom, and when. The same work may be given again. */
export const assignments = sqliteTable(
  "assignments",
  {
    id: text("id").primaryKey(),
    workId: text("work_id")
      .notNull()
      .references(() => works.id),
    /** The class on which it hangs; a group's work hangs on the group's home class. */
    classId: text("class_id")
      .notNull()
      .references(() => classes.id),
    groupId: text("group_id").references(() => groups.id),
    givenBy: text("given_by")
      .notNull()
      .references(() => people.id),
    givenAt: integer("given_at").notNull(),
    opensAt: integer("opens_at").notNull(),
    /** Null where it has no due day. */
    dueAt: integer("due_at"),
    withdrawnAt: integer("withdrawn_at"),
  },
  (t) => [
    index("assignments_by_class").on(t.classId, t.givenAt),
    index("assignments_by_work").on(t.workId),
    index("assignments_by_group").on(t.groupId),
    index("assignments_by_giver").on(t.givenBy),
  ],
);

/** One student who was given it. */
export const assignmentTargets = sqliteTable(
  "assignment_targets",
  {
    id: text("id").primaryKey(),
    assignmentId: text("assignment_id")
      .notNull()
      .references(() => assignments.id),
    personId: text("person_id")
      .notNull()
      .references(() => people.id),
    /** Items granted beyond the settings. */
    extraItems: integer("extra_items").notNull().default(0),
  },
  (t) => [
    uniqueIndex("assignment_targets_once").on(t.assignmentId, t.personId),
    index("assignment_targets_by_person").on(t.personId),
  ],
);
