import { sql } from "drizzle-orm";
import { index, integer, primaryKey, sqliteTable, text, uniqueIndex } from "drizzle-orm/sqlite-core";
import type { OwnFactSettings } from "../../core/model/factSettings";
import { classes, people } from "./people";

/** How a class practises number facts (no person), and what one student of it has that differs. */
export const factSettings = sqliteTable(
  "fact_settings",
  {
    id: text("id").primaryKey(),
    classId: text("class_id")
      .notNull()
      .references(() => classes.id),
    personId: text("person_id").references(() => people.id),
    /** Whether facts are practised at all. */
    on: integer("on", { mode: "boolean" }).notNull(),
    /** Of a class all of them; of a student only what differs. */
    settings: text("settings", { mode: "json" }).$type<OwnFactSettings>().notNull(),
  },
  (t) => [
    uniqueIndex("fact_settings_of_class").on(t.classId).where(sql`person_id is null`),
    uniqueIndex("fact_settings_of_student").on(t.classId, t.personId).where(sql`person_id is not null`),
    index("fact_settings_by_class").on(t.classId),
    index("fact_settings_by_person").on(t.personId).where(sql`person_id is not null`),
  ],
);

/** Kinds of attempts: a number copied to measure typing, a fact asked to see what is known, one drilled. */
export const FACT_ATTEMPT_KINDS = ["copy", "place", "drill"] as const;

/** Every answer to a number fact, and every number copied. Append-only. */
export const factAttempts = sqliteTable(
  "fact_attempts",
  {
    serial: integer("serial").primaryKey({ autoIncrement: true }),
    /** Made by the browser: sent twice, it is kept once. */
    key: text("key").notNull().unique(),
    personId: text("person_id")
      .notNull()
      .references(() => people.id),
    kind: text("kind", { enum: FACT_ATTEMPT_KINDS }).notNull(),
    /** Id of the fact, such as "6*7"; of a copied number the number. */
    fact: text("fact").notNull(),
    given: integer("given"),
    right: integer("right", { mode: "boolean" }).notNull(),
    milliseconds: integer("milliseconds").notNull(),
    /** The student's limit in that moment; null for copied numbers. */
    limitMilliseconds: integer("limit_milliseconds"),
    /** School day on which it was given. */
    day: text("day").notNull(),
    at: integer("at").notNull(),
    /** Left out of what is known: one wrong answer was given again and again. */
    leftOut: integer("left_out", { mode: "boolean" }).notNull().default(false),
  },
  (t) => [
    index("fact_attempts_by_day").on(t.personId, t.day),
    index("fact_attempts_by_fact").on(t.personId, t.fact),
    index("fact_attempts_by_kind").on(t.personId, t.kind, t.serial),
  ],
);

/** One attempt as a summary keeps it: day number, milliseconds, right. */
export type KeptAttempt = readonly [day: number, milliseconds: number, right: 0 | 1];

/** What the attempts at a fact come to, one row a student and fact: the latest ones, as many as count. */
export const factStates = sqliteTable(
  "fact_states",
  {
    personId: text("person_id")
      .notNull()
      .references(() => people.id),
    fact: text("fact").notNull(),
    latest: text("latest", { mode: "json" }).$type<readonly KeptAttempt[]>().notNull(),
    /** All there ever were. */
    attempts: integer("attempts").notNull(),
  },
  (t) => [primaryKey({ columns: [t.personId, t.fact] })],
);

/** What a day of practice came to, one row a student and day. */
export const factDays = sqliteTable(
  "fact_days",
  {
    personId: text("person_id")
      .notNull()
      .references(() => people.id),
    day: text("day").notNull(),
    answered: integer("answered").notNull(),
    right: integer("right").notNull(),
    inTime: integer("in_time").notNull(),
    milliseconds: integer("milliseconds").notNull(),
    newlyFluent: text("newly_fluent", { mode: "json" }).$type<readonly string[]>().notNull(),
    /** Facts in time that the day was to have. */
    goal: integer("goal").notNull(),
  },
  (t) => [primaryKey({ columns: [t.personId, t.day] }), index("fact_days_by_day").on(t.day)],
);
