import { index, integer, real, sqliteTable, text, uniqueIndex } from "drizzle-orm/sqlite-core";
import { banks } from "./banks";
import { skills, standards } from "./library";
import { passages } from "./passages";
import { people } from "./people";

/** What stays the same however often an item is rewritten. */
export const items = sqliteTable(
  "items",
  {
    id: text("id").primaryKey(),
    /** Came with Oxbow's own content, which brings it up to date. */
    shipped: integer("shipped", { mode: "boolean" }).notNull().default(false),
    /** The bank that it stands in; null for the stock that every school has. */
    bankId: text("bank_id").references(() => banks.id),
    authorId: text("author_id").references(() => people.id),
    /** Its id in the file that it came from, by which it is known again; null for what was written here. */
    outsideId: text("outside_id"),
    retiredAt: integer("retired_at"),
  },
  (t) => [index("items_by_bank").on(t.bankId, t.outsideId), index("items_by_author").on(t.authorId)],
);

/** Skills and standards of an item, the first skill being the one that it stands under. */
export interface ItemAlignment {
  readonly skillIds: readonly string[];
  readonly standardIds: readonly string[];
}

/** The content of an item; never edited once it is ready, since answers refer to it. The highest ready number is the current one. */
export const itemVersions = sqliteTable(
  "item_versions",
  {
    id: text("id").primaryKey(),
    itemId: text("item_id")
      .notNull()
      .references(() => items.id),
    number: integer("number").notNull(),
    /** Body as `core/items` reads it: draws, story, and a list of parts, each of its own kind. */
    body: text("body", { mode: "json" }).$type<object>().notNull(),
    /** The passage that it is asked about; null for none. */
    passageId: text("passage_id").references(() => passages.id),
    /** Depth of thinking, 1 to 4; null where nobody said. */
    depth: integer("depth"),
    calculator: integer("calculator", { mode: "boolean" }).notNull().default(false),
    language: text("language").notNull().default("en"),
    status: text("status", { enum: ["draft", "ready"] }).notNull(),
    /** SHA-256 of the body in canonical form; empty where it was written before bodies were hashed. */
    contentHash: text("content_hash").notNull(),
    createdAt: integer("created_at").notNull(),
    /** Who wrote it; null for what shipped. */
    authorId: text("author_id").references(() => people.id),
    /** What a draft will stand under once it is in use; null where the item's own hold. */
    alignment: text("alignment", { mode: "json" }).$type<ItemAlignment>(),
    /** How often a draft was saved: whoever saves says which state they began with. */
    revision: integer("revision").notNull().default(0),
  },
  (t) => [
    index("item_versions_by_author").on(t.authorId),
    index("item_versions_by_passage").on(t.passageId),
    uniqueIndex("item_versions_by_number").on(t.itemId, t.number),
  ],
);

/** The skills that an item practises; the first is the one that it stands under. */
export const itemSkills = sqliteTable(
  "item_skills",
  {
    id: text("id").primaryKey(),
    itemId: text("item_id")
      .notNull()
      .references(() => items.id),
    skillId: text("skill_id")
      .notNull()
      .references(() => skills.id),
    place: integer("place").notNull(),
  },
  (t) => [uniqueIndex("item_skills_once").on(t.itemId, t.skillId), index("item_skills_by_skill").on(t.skillId)],
);

/** Standards that an item is written for beyond those of its skills. */
export const itemStandards = sqliteTable(
  "item_standards",
  {
    id: text("id").primaryKey(),
    itemId: text("item_id")
      .notNull()
      .references(() => items.id),
    standardId: text("standard_id")
      .notNull()
      .references(() => standards.id),
  },
  (t) => [
    uniqueIndex("item_standards_once").on(t.itemId, t.standardId),
    index("item_standards_by_standard").on(t.standardId),
  ],
);

/** Estimates of a version's parameters; the latest in force goes before the rule in its body. */
export const itemParameters = sqliteTable(
  "item_parameters",
  {
    id: text("id").primaryKey(),
    versionId: text("version_id")
      .notNull()
      .references(() => itemVersions.id),
    source: text("source", { enum: ["expert", "calibrated"] }).notNull(),
    a: real("a").notNull(),
    /** Offset from the skill's difficulty, in logits. */
    b: real("b").notNull(),
    c: real("c").notNull(),
    aSe: real("a_se"),
    bSe: real("b_se"),
    cSe: real("c_se"),
    /** Answers behind the estimate; null for an expert's. */
    answers: integer("answers"),
    inForceFrom: integer("in_force_from").notNull(),
  },
  (t) => [index("item_parameters_by_version").on(t.versionId, t.inForceFrom)],
);

/** Items of which one gives the other away: they are not given together. A pair stands once, the smaller id first. */
export const itemEnemies = sqliteTable(
  "item_enemies",
  {
    id: text("id").primaryKey(),
    itemId: text("item_id")
      .notNull()
      .references(() => items.id),
    enemyId: text("enemy_id")
      .notNull()
      .references(() => items.id),
    /** False once somebody let them stand together again. */
    apart: integer("apart", { mode: "boolean" }).notNull(),
  },
  (t) => [index("item_enemies_by_item").on(t.itemId), index("item_enemies_by_enemy").on(t.enemyId)],
);
