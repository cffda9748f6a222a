import { blob, index, integer, sqliteTable, text } from "drizzle-orm/sqlite-core";
import { people } from "./people";

/** Pictures that items show, by what they are: the same bytes are kept once. What each says in words stands with the item. */
export const pictures = sqliteTable(
  "pictures",
  {
    /** SHA-256 of the bytes, in hexadecimal digits. */
    hash: text("hash").primaryKey(),
    type: text("type").notNull(),
    bytes: blob("bytes", { mode: "buffer" }).notNull(),
    /** As it is drawn, in pixels. */
    width: integer("width").notNull(),
    height: integer("height").notNull(),
    addedAt: integer("added_at").notNull(),
    /** Who brought it in first; null for what ships. */
    addedBy: text("added_by").references(() => people.id),
  },
  (t) => [index("pictures_by_person").on(t.addedBy)],
);
