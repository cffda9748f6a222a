import { index, integer, real, sqliteTable, text, uniqueIndex } from "drizzle-orm/sqlite-core";
import { skills } from "./library";
import { classes, people, schools } from "./people";
import { works } from "./work";

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
  },
  (t) => [index("group_members_by_group").on(t.groupId), index("group_members_by_person").on(t.personId)],
);

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
    practiceWorkId: text("practice_work_id")
      .notNull()
      .references(() => works.id),
    checkWorkId: text("check_work_id")
      .notNull()
      .references(() => works.id),
    /** School day on which it was assigned. */
    assignedDay: text("assigned_day").notNull(),
    createdAt: integer("created_at").notNull(),
  },
  (t) => [
    index("reteaches_by_group").on(t.groupId),
    index("reteaches_by_skill").on(t.skillId),
    index("reteaches_by_practice").on(t.practiceWorkId),
    uniqueIndex("reteaches_by_check").on(t.checkWorkId),
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
