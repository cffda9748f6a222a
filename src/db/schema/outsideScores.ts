import { index, integer, real, sqliteTable, text, uniqueIndex } from "drizzle-orm/sqlite-core";
import { classes, people } from "./people";

/** A list of scores of a test that was taken elsewhere. */
export const scoreLists = sqliteTable(
  "score_lists",
  {
    id: text("id").primaryKey(),
    /** The class it was brought in from; of several classes the first. */
    classId: text("class_id")
      .notNull()
      .references(() => classes.id),
    title: text("title").notNull(),
    /** School day on which the test was taken. */
    onDay: text("on_day").notNull(),
    byId: text("by_id")
      .notNull()
      .references(() => people.id),
    keptAt: integer("kept_at").notNull(),
    /** When it was taken away, or put in place of by a newer list; it counts for nothing from then on. */
    removedAt: integer("removed_at"),
  },
  (t) => [index("score_lists_by_class").on(t.classId), index("score_lists_by_person").on(t.byId)],
);

/** One student's score in one strand, and the ability (logits, with its error) that its place in the list tells. */
export const outsideScores = sqliteTable(
  "outside_scores",
  {
    id: text("id").primaryKey(),
    listId: text("list_id")
      .notNull()
      .references(() => scoreLists.id),
    personId: text("person_id")
      .notNull()
      .references(() => people.id),
    strandId: text("strand_id").notNull(),
    /** A score of the whole subject, which is taken for each of its strands. */
    whole: integer("whole", { mode: "boolean" }).notNull(),
    score: real("score").notNull(),
    /** Null where nobody said of how many. */
    outOf: real("out_of"),
    theta: real("theta").notNull(),
    se: real("se").notNull(),
  },
  (t) => [
    uniqueIndex("outside_scores_once").on(t.listId, t.personId, t.strandId),
    index("outside_scores_by_person").on(t.personId),
  ],
);
