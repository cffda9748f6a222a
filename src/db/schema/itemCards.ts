import { index, integer, real, sqliteTable, text } from "drizzle-orm/sqlite-core";
import { items, itemVersions } from "./items";

/**
 * What items are found by, a row each, made from their current versions. Triggers drop the card of an item whenever anything that it
 * is made of changes, whoever changes it; what is missing is made before the next search. Its words stand in the full-text table
 * `item_words` under the same number.
 */
export const itemCards = sqliteTable(
  "item_cards",
  {
    number: integer("number").primaryKey({ autoIncrement: true }),
    itemId: text("item_id")
      .notNull()
      .unique()
      .references(() => items.id),
    versionId: text("version_id")
      .notNull()
      .references(() => itemVersions.id),
    bankId: text("bank_id"),
    status: text("status", { enum: ["draft", "ready"] }).notNull(),
    retired: integer("retired", { mode: "boolean" }).notNull(),
    /** The one that it stands under; null for a draft without one. */
    skillId: text("skill_id"),
    strand: text("strand"),
    grade: integer("grade"),
    /** Of its only part, or "several". */
    kind: text("kind").notNull(),
    /** Whether it is drawn anew with other numbers. */
    model: integer("model", { mode: "boolean" }).notNull(),
    /** The passage that it hangs on; null for none. */
    passageId: text("passage_id"),
    depth: integer("depth"),
    language: text("language").notNull(),
    authorId: text("author_id"),
    addedAt: integer("added_at").notNull(),
    /** Logits on the subject's scale, by rule for the first draw or as estimated; null where there is no skill. */
    difficulty: real("difficulty"),
    discrimination: real("discrimination"),
    calibrated: integer("calibrated", { mode: "boolean" }).notNull(),
    /** As a line of a list shows it, at most 160 letters. */
    line: text("line").notNull(),
  },
  (t) => [
    index("item_cards_by_version").on(t.versionId),
    index("item_cards_by_bank").on(t.bankId, t.status, t.retired),
    index("item_cards_by_skill").on(t.skillId),
    index("item_cards_by_passage").on(t.passageId),
  ],
);
