import { index, integer, sqliteTable, text, uniqueIndex } from "drizzle-orm/sqlite-core";
import { banks } from "./banks";
import { people } from "./people";

/** A text that items are asked about; what stays the same however often it is rewritten. */
export const passages = sqliteTable(
  "passages",
  {
    id: text("id").primaryKey(),
    /** Came with Oxbow's own content, which brings it up to date. */
    shipped: integer("shipped", { mode: "boolean" }).notNull().default(false),
    /** The bank that it stands in; null for the stock. Items of other banks may hang on it. */
    bankId: text("bank_id").references(() => banks.id),
    authorId: text("author_id").references(() => people.id),
    /** Its id in the file that it came from; null for what was written here. */
    outsideId: text("outside_id"),
    retiredAt: integer("retired_at"),
  },
  (t) => [index("passages_by_bank").on(t.bankId, t.outsideId), index("passages_by_author").on(t.authorId)],
);

/**
 * The words of a passage, never edited: whoever changes them makes a further version, which everybody reads from then on. Which one
 * somebody read is told by the time.
 */
export const passageVersions = sqliteTable(
  "passage_versions",
  {
    id: text("id").primaryKey(),
    passageId: text("passage_id")
      .notNull()
      .references(() => passages.id),
    number: integer("number").notNull(),
    title: text("title").notNull(),
    /** What it is about, in a word or two; empty where nobody said. */
    topic: text("topic").notNull().default(""),
    language: text("language").notNull().default("en"),
    /** Paragraphs in their order. */
    body: text("body", { mode: "json" }).$type<readonly string[]>().notNull(),
    createdAt: integer("created_at").notNull(),
    authorId: text("author_id").references(() => people.id),
  },
  (t) => [
    uniqueIndex("passage_versions_by_number").on(t.passageId, t.number),
    index("passage_versions_by_author").on(t.authorId),
  ],
);
