import { index, integer, primaryKey, real, sqliteTable, text } from "drizzle-orm/sqlite-core";
import { misconceptions, skills } from "./library";
import { people } from "./people";

/** What the scores say, kept with them in the same transaction; each can be rebuilt from the scores alone. */
export const skillStates = sqliteTable(
  "skill_states",
  {
    personId: text("person_id")
      .notNull()
      .references(() => people.id),
    skillId: text("skill_id")
      .notNull()
      .references(() => skills.id),
    mastery: real("mastery").notNull(),
    learning: real("learning").notNull().default(0.5),
    prior: real("prior").notNull(),
    /** Ability in the skill above its boundary of mastery, and how uncertain it is; logits. */
    mean: real("mean").notNull().default(0),
    spread: real("spread").notNull().default(0.6),
    scoredAnswers: integer("scored_answers").notNull(),
    unaidedAnswers: integer("unaided_answers").notNull().default(0),
    rightFirstTries: integer("right_first_tries").notNull(),
    /** Right first tries that somebody with the skill would have, and somebody without. */
    rightIfMastered: real("right_if_mastered").notNull().default(0),
    rightIfNot: real("right_if_not").notNull().default(0),
    /** Scores taken in; a state kept in memory is never written over one with other scores. */
    evidence: integer("evidence").notNull(),
    itemIds: text("item_ids", { mode: "json" }).$type<string[]>().notNull(),
    firstDay: integer("first_day").notNull().default(0),
    lastDay: integer("last_day").notNull(),
    stabilityDays: real("stability_days").notNull(),
    memoryDifficulty: real("memory_difficulty").notNull().default(5),
    masteredDay: integer("mastered_day"),
    lostDay: integer("lost_day"),
    missesInRow: integer("misses_in_row").notNull(),
    snagDay: integer("snag_day"),
    snagClearedDay: integer("snag_cleared_day"),
    /** How many snags there have been, the last one counted. */
    snagTimes: integer("snag_times").notNull().default(0),
  },
  (t) => [primaryKey({ columns: [t.personId, t.skillId] }), index("skill_states_by_skill").on(t.skillId)],
);

export const skillDays = sqliteTable(
  "skill_days",
  {
    personId: text("person_id")
      .notNull()
      .references(() => people.id),
    skillId: text("skill_id")
      .notNull()
      .references(() => skills.id),
    day: integer("day").notNull(),
    answered: integer("answered").notNull(),
    right: integer("right").notNull(),
    milliseconds: integer("milliseconds").notNull(),
    /** How the skill stood after the last answer of the day; null for days taken in before this was kept, until a rebuild. */
    mastery: real("mastery"),
    stabilityDays: real("stability_days"),
    mean: real("mean"),
    spread: real("spread"),
    /** First tries, and right ones, from the first day to this one. */
    answeredUntil: integer("answered_until"),
    rightUntil: integer("right_until"),
  },
  (t) => [
    primaryKey({ columns: [t.personId, t.skillId, t.day] }),
    index("skill_days_by_skill").on(t.skillId),
    index("skill_days_by_day").on(t.personId, t.day),
  ],
);

/** How often a student showed a misconception in a skill, and when last. */
export const misconceptionSigns = sqliteTable(
  "misconception_signs",
  {
    personId: text("person_id")
      .notNull()
      .references(() => people.id),
    skillId: text("skill_id")
      .notNull()
      .references(() => skills.id),
    misconceptionId: text("misconception_id")
      .notNull()
      .references(() => misconceptions.id),
    times: integer("times").notNull(),
    lastDay: integer("last_day").notNull(),
  },
  (t) => [
    primaryKey({ columns: [t.personId, t.skillId, t.misconceptionId] }),
    index("misconception_signs_by_skill").on(t.skillId),
    index("misconception_signs_by_misconception").on(t.misconceptionId),
  ],
);

/** The same by day: how often on which. */
export const misconceptionDays = sqliteTable(
  "misconception_days",
  {
    personId: text("person_id")
      .notNull()
      .references(() => people.id),
    skillId: text("skill_id")
      .notNull()
      .references(() => skills.id),
    misconceptionId: text("misconception_id")
      .notNull()
      .references(() => misconceptions.id),
    day: integer("day").notNull(),
    times: integer("times").notNull(),
  },
  (t) => [
    primaryKey({ columns: [t.personId, t.day, t.skillId, t.misconceptionId] }),
    index("misconception_days_by_skill").on(t.skillId),
    index("misconception_days_by_misconception").on(t.misconceptionId),
  ],
);
