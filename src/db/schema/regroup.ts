import { index, integer, real, sqliteTable, text, uniqueIndex } from "drizzle-orm/sqlite-core";
import { skills } from "./library";
import { classes, people } from "./people";
import { works } from "./work";

export const groups = sqliteTable(
  "groups",
  {
    id: text("id").primaryKey(),
    classId: text("class_id")
      .notNull()
      .references(() => classes.id),
    ownerId: text("owner_id")
      .notNull()
      .references(() => people.id),
    name: text("name").notNull(),
    skillId: text("skill_id")
      .notNull()
      .references(() => skills.id),
    /** The sentence that said why, with the numbers of that day. */
    because: text("because").notNull(),
    createdAt: integer("created_at").notNull(),
    archivedAt: integer("archived_at"),
  },
  (t) => [index("groups_by_class").on(t.classId)],
);

export const groupMembers = sqliteTable(
  "group_members",
  {
    id: text("id").primaryKey(),
    groupId: text("group_id")
      .notNull()
      .references(() => groups.id),
    personId: text("person_id")
      .notNull()
      .references(() => people.id),
    fromDay: text("from_day").notNull(),
    untilDay: text("until_day"),
  },
  (t) => [uniqueIndex("group_members_once").on(t.groupId, t.personId), index("group_members_by_person").on(t.personId)],
);

export const reteaches = sqliteTable(
  "reteaches",
  {
    id: text("id").primaryKey(),
    groupId: text("group_id")
      .notNull()
      .references(() => groups.id),
    practiceWorkId: text("practice_work_id")
      .notNull()
      .references(() => works.id),
    checkWorkId: text("check_work_id")
      .notNull()
      .references(() => works.id),
    createdAt: integer("created_at").notNull(),
  },
  (t) => [index("reteaches_by_group").on(t.groupId)],
);

/** Each student's chance of mastery on the day the reteach was assigned. */
export const reteachBaselines = sqliteTable(
  "reteach_baselines",
  {
    id: text("id").primaryKey(),
    reteachId: text("reteach_id")
      .notNull()
      .references(() => reteaches.id),
    personId: text("person_id")
      .notNull()
      .references(() => people.id),
    chance: real("chance").notNull(),
  },
  (t) => [uniqueIndex("reteach_baselines_once").on(t.reteachId, t.personId)],
);
