import { index, integer, sqliteTable, text, uniqueIndex } from "drizzle-orm/sqlite-core";
import type { GroupHabits } from "../../core/model/reteach";
import { skills } from "./library";
import { classes, people, schools } from "./people";

export const groups = sqliteTable(
  "groups",
  {
    id: text("id").primaryKey(),
    schoolId: text("school_id")
      .notNull()
      .references(() => schools.id),
    /** The class whose plan orders the group's skills and on which its work hangs; members may come from others. */
    classId: text("class_id")
      .notNull()
      .references(() => classes.id),
    ownerId: text("owner_id")
      .notNull()
      .references(() => people.id),
    name: text("name").notNull(),
    /** Two or three letters for lists where the name has no room. */
    label: text("label").notNull(),
    purpose: text("purpose").notNull().default(""),
    subject: text("subject").notNull(),
    /** The skill that a reteach group is for; null for a group with another purpose. */
    skillId: text("skill_id").references(() => skills.id),
    /** The sentence that said why, with the numbers of that day. */
    because: text("because").notNull(),
    fromDay: text("from_day").notNull(),
    /** Last day on which the group meets; null while it has no end. */
    untilDay: text("until_day"),
    /** When it meets: weekday 1 to 5, a dash, lesson of the day. */
    slots: text("slots", { mode: "json" }).$type<readonly string[]>().notNull(),
    createdAt: integer("created_at").notNull(),
    archivedAt: integer("archived_at"),
  },
  (t) => [
    index("groups_by_class").on(t.classId),
    index("groups_by_owner").on(t.ownerId),
    index("groups_by_school").on(t.schoolId),
    index("groups_by_skill").on(t.skillId),
  ],
);

/** Colleagues who share a group. */
export const groupShares = sqliteTable(
  "group_shares",
  {
    id: text("id").primaryKey(),
    groupId: text("group_id")
      .notNull()
      .references(() => groups.id),
    personId: text("person_id")
      .notNull()
      .references(() => people.id),
    /** Last day of access; null while it lasts. */
    untilDay: text("until_day"),
  },
  (t) => [index("group_shares_by_group").on(t.groupId), index("group_shares_by_person").on(t.personId)],
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
    /** The tie (a row of class_staff or group_shares) by which its maker had the student; it holds as long as that does. */
    lentThrough: text("lent_through"),
    /** Is there to explain the group's skill to the others, and is given none of its work. */
    explains: integer("explains", { mode: "boolean" }).notNull().default(false),
  },
  (t) => [index("group_members_by_group").on(t.groupId), index("group_members_by_person").on(t.personId)],
);

/** How the groups of a class are made, week after week; one row a class. */
export const groupHabits = sqliteTable(
  "group_habits",
  {
    id: text("id").primaryKey(),
    classId: text("class_id")
      .notNull()
      .references(() => classes.id),
    habits: text("habits", { mode: "json" }).$type<GroupHabits>().notNull(),
  },
  (t) => [uniqueIndex("group_habits_once").on(t.classId)],
);
