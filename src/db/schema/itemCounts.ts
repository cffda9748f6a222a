import { integer, real, sqliteTable, text } from "drizzle-orm/sqlite-core";
import { items } from "./items";

/** How often items were answered, over all schools: brought up to date from the logs, which are only ever added to, before it is read. */
export const itemCounts = sqliteTable("item_counts", {
  itemId: text("item_id")
    .primaryKey()
    .references(() => items.id),
  /** First tries. */
  answered: integer("answered").notNull(),
  /** Scores of first tries, one for each part and skill; what waits for a person has none yet. */
  scored: integer("scored").notNull(),
  /** What those earned, each of 1. */
  earned: real("earned").notNull(),
});
