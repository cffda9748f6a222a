import { index, integer, primaryKey, real, sqliteTable, text, uniqueIndex } from "drizzle-orm/sqlite-core";
import { misconceptions, skills } from "./library";
import { people } from "./people";
import { works } from "./work";

/** An item that a sitting has shown, shows, or holds ready for a lost connection. */
export interface Presentation {
  readonly id: string;
  readonly state: "open" | "reserve" | "done";
  readonly skillId: string;
  readonly modelId: string;
  readonly modelVersion: number;
  readonly seed: number;
  readonly context: string;
  readonly tries: number;
  /** Whether the first try was right; absent before it. */
  readonly rightFirst?: boolean;
  /** When the student was given it to try, or to try again: no try can have taken longer. */
  readonly tryFrom?: number;
  /** Hints that the server handed out. */
  readonly hints?: number;
}

/** One student's run at one piece of work. */
export const sittings = sqliteTable(
  "sittings",
  {
    id: text("id").primaryKey(),
    workId: text("work_id")
      .notNull()
      .references(() => works.id),
    personId: text("person_id")
      .notNull()
      .references(() => people.id),
    startedAt: integer("started_at").notNull(),
    /** When the last answer was given; no later answer can be older. */
    lastAt: integer("last_at").notNull(),
    finishedAt: integer("finished_at"),
    finishReason: text("finish_reason", { enum: ["mastered", "budget", "amount"] }),
    itemsDone: integer("items_done").notNull().default(0),
    itemsRight: integer("items_right").notNull().default(0),
    /** Thousandths of the way to the end, for lists. */
    progressPermille: integer("progress_permille").notNull().default(0),
    /** Chance of mastery by skill id when the sitting began. */
    chancesAtStart: text("chances_at_start", { mode: "json" }).$type<Record<string, number>>().notNull(),
    /** In the order of showing. In the sitting's own row, so that an answer reads and writes one row, not twenty. */
    presentations: text("presentations", { mode: "json" }).$type<readonly Presentation[]>().notNull(),
  },
  (t) => [uniqueIndex("sittings_once").on(t.workId, t.personId), index("sittings_by_person").on(t.personId)],
);

/** Append-only. Everything the summaries need stands in the row, so that they can be rebuilt from it alone. */
export const answers = sqliteTable(
  "answers",
  {
    serial: integer("serial").primaryKey({ autoIncrement: true }),
    /** Made by the browser: the same answer sent twice is stored once. */
    key: text("key").notNull().unique(),
    personId: text("person_id")
      .notNull()
      .references(() => people.id),
    workId: text("work_id")
      .notNull()
      .references(() => works.id),
    sittingId: text("sitting_id")
      .notNull()
      .references(() => sittings.id),
    presentationId: text("presentation_id").notNull(),
    skillId: text("skill_id")
      .notNull()
      .references(() => skills.id),
    modelId: text("model_id").notNull(),
    modelVersion: integer("model_version").notNull(),
    seed: integer("seed").notNull(),
    context: text("context").notNull(),
    tryNumber: integer("try_number").notNull(),
    raw: text("raw").notNull(),
    right: integer("right", { mode: "boolean" }).notNull(),
    misconceptionId: text("misconception_id").references(() => misconceptions.id),
    hintsUsed: integer("hints_used").notNull(),
    milliseconds: integer("milliseconds").notNull(),
    /** When the student gave it, placed by the server (`placeAnswer`), and when the server wrote it. */
    givenAt: integer("given_at").notNull(),
    recordedAt: integer("recorded_at").notNull(),
    /** School day of giving, as a day number in the school's zone. */
    day: integer("day").notNull(),
    /** Whose word the time, the hints and the active time are: the server's, or only the device's. */
    witness: text("witness", { enum: ["server", "device"] })
      .notNull()
      .default("device"),
    /** Came after the due time and is believed to be given before it. */
    lateClaim: integer("late_claim", { mode: "boolean" }).notNull().default(false),
    /** What the device's own clock showed; null where it showed no instant. */
    deviceClock: integer("device_clock"),
    /** The student's grade and the item's and skill's parameters in force at the answer. */
    grade: integer("grade").notNull(),
    skillDifficulty: real("skill_difficulty").notNull(),
    a: real("a").notNull(),
    b: real("b").notNull(),
    c: real("c").notNull(),
  },
  (t) => [
    index("answers_by_person_skill").on(t.personId, t.skillId, t.serial),
    index("answers_by_sitting").on(t.sittingId, t.serial),
    index("answers_by_work").on(t.workId),
    index("answers_by_skill").on(t.skillId),
    index("answers_by_misconception").on(t.misconceptionId),
  ],
);

/** What students sent that counts for nothing, with the reason: nothing that they wrote is lost. Append-only. */
export const uncountedAnswers = sqliteTable(
  "uncounted_answers",
  {
    /** Made by the browser, as for an answer that counts. */
    key: text("key").primaryKey(),
    personId: text("person_id")
      .notNull()
      .references(() => people.id),
    workId: text("work_id")
      .notNull()
      .references(() => works.id),
    sittingId: text("sitting_id")
      .notNull()
      .references(() => sittings.id),
    presentationId: text("presentation_id").notNull(),
    raw: text("raw").notNull(),
    reason: text("reason", { enum: ["too-late", "withdrawn", "over", "elsewhere", "unreadable"] }).notNull(),
    givenAt: integer("given_at").notNull(),
    recordedAt: integer("recorded_at").notNull(),
  },
  (t) => [
    index("uncounted_answers_by_person").on(t.personId),
    index("uncounted_answers_by_work").on(t.workId),
    index("uncounted_answers_by_sitting").on(t.sittingId),
  ],
);

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
    scoredAnswers: integer("scored_answers").notNull(),
    rightFirstTries: integer("right_first_tries").notNull(),
    modelIds: text("model_ids", { mode: "json" }).$type<string[]>().notNull(),
    firstDay: integer("first_day").notNull().default(0),
    lastDay: integer("last_day").notNull(),
    stabilityDays: real("stability_days").notNull(),
    memoryDifficulty: real("memory_difficulty").notNull().default(5),
    masteredDay: integer("mastered_day"),
    missesInRow: integer("misses_in_row").notNull(),
    snagDay: integer("snag_day"),
    snagClearedDay: integer("snag_cleared_day"),
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
