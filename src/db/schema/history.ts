import { sql } from "drizzle-orm";
import { blob, index, integer, sqliteTable, text } from "drizzle-orm/sqlite-core";
import type { ChangeArea } from "@/core/model/changeArea";
import type { ChangeFacts, ChangeKind } from "@/core/model/changeFacts";
import type { SignInKind } from "@/core/model/signInKind";
import { people, schools } from "./people";

/** One row of one table before and after a change; null stands for "no such row". */
export interface RowChange {
  readonly table: string;
  readonly id: string;
  readonly before: Readonly<Record<string, unknown>> | null;
  readonly after: Readonly<Record<string, unknown>> | null;
}

/**
 * The history: everything that was changed or handed out, in the order in which it happened. Entries are only ever added (the
 * database refuses changes); taking one back is an entry of its own.
 */
export const changes = sqliteTable(
  "changes",
  {
    /** Rises with time. */
    id: text("id").primaryKey(),
    schoolId: text("school_id")
      .notNull()
      .references(() => schools.id),
    classId: text("class_id"),
    /** Null when nobody was signed in. */
    actorId: text("actor_id").references(() => people.id),
    at: integer("at").notNull(),
    area: text("area").$type<ChangeArea>().notNull(),
    kind: text("kind").$type<ChangeKind>().notNull(),
    /** What happened, worded when it is read; people are ids, so that no name outlives an erasure. */
    facts: text("facts", { mode: "json" }).$type<ChangeFacts[ChangeKind]>().notNull().default(sql`'{}'`),
    /** How a change without row pairs is taken back (see `server/history/commands.ts`). */
    command: text("command").$type<CommandName>(),
    /** The entry that this one took back. */
    undoes: text("undoes"),
    undoable: integer("undoable", { mode: "boolean" }).notNull(),
  },
  (t) => [
    index("changes_by_class").on(t.classId, t.id),
    index("changes_by_school").on(t.schoolId, t.id),
    index("changes_by_undone").on(t.undoes),
    index("changes_by_actor").on(t.actorId),
  ],
);

/** Changes that many rows followed from: taken back by a command instead of by pairs of rows. */
export type CommandName = "rescore" | "drop";

/** Comings and goings at the doors, apart from the history: there are many, and nothing of them can be taken back. Append-only. */
export const signIns = sqliteTable(
  "sign_ins",
  {
    /** Rises with time. */
    id: text("id").primaryKey(),
    schoolId: text("school_id")
      .notNull()
      .references(() => schools.id),
    personId: text("person_id")
      .notNull()
      .references(() => people.id),
    at: integer("at").notNull(),
    kind: text("kind").$type<SignInKind>().notNull(),
    by: text("by", { enum: ["password", "pin", "card"] }),
    device: text("device").notNull().default(""),
  },
  (t) => [index("sign_ins_by_school").on(t.schoolId, t.id), index("sign_ins_by_person").on(t.personId, t.id)],
);

/** What the entry is about, for searching: classes, people, groups. */
export const changeSubjects = sqliteTable(
  "change_subjects",
  {
    id: text("id").primaryKey(),
    changeId: text("change_id")
      .notNull()
      .references(() => changes.id),
    subjectId: text("subject_id").notNull(),
  },
  (t) => [
    index("change_subjects_by_subject").on(t.subjectId, t.changeId),
    index("change_subjects_by_change").on(t.changeId),
  ],
);

/**
 * How often something was changed, by what it is: whoever keeps anything in memory, in whatever process, sees by one row
 * whether it still holds. `roster:` and a school's id counts the entries that may change what a roster file would do there.
 */
export const revisions = sqliteTable("revisions", {
  id: text("id").primaryKey(),
  number: integer("number").notNull(),
});

/** Before and after of an entry, in pieces that a remote database takes. */
export const changeRows = sqliteTable(
  "change_rows",
  {
    id: text("id").primaryKey(),
    changeId: text("change_id")
      .notNull()
      .references(() => changes.id),
    place: integer("place").notNull(),
    rows: text("rows", { mode: "json" }).$type<RowChange[]>().notNull(),
  },
  (t) => [index("change_rows_by_change").on(t.changeId, t.place)],
);

/**
 * Changes of thousands of rows, while they are written or taken back piece by piece, so that a class's answers get their turn
 * between the pieces. A row is here from the first piece to the last: whoever finds one that nobody goes on with takes it up.
 */
export const unfinishedChanges = sqliteTable(
  "unfinished_changes",
  {
    changeId: text("change_id")
      .primaryKey()
      .references(() => changes.id),
    schoolId: text("school_id")
      .notNull()
      .references(() => schools.id),
    /** What was asked for: "forward" to write it, "back" to take it back. */
    direction: text("direction", { enum: ["forward", "back"] }).notNull(),
    /** How many of its pieces are in force. */
    pieces: integer("pieces").notNull(),
    /** When somebody last went on with it. */
    at: integer("at").notNull(),
  },
  (t) => [index("unfinished_changes_by_school").on(t.schoolId)],
);

/** A roster file on its way in: kept until applied or dropped, so that a reload loses nothing. */
export const rosterDrafts = sqliteTable(
  "roster_drafts",
  {
    id: text("id").primaryKey(),
    ownerId: text("owner_id")
      .notNull()
      .references(() => people.id),
    schoolId: text("school_id")
      .notNull()
      .references(() => schools.id),
    /** "package": files of the roster standard; "sheet": one row a student. */
    kind: text("kind", { enum: ["package", "sheet"] }).notNull(),
    /** The class that a teacher's sheet is for; null for a sheet or package of the whole school. */
    classId: text("class_id"),
    newClassName: text("new_class_name"),
    newClassGrade: integer("new_class_grade"),
    fileName: text("file_name").notNull(),
    bytes: blob("bytes", { mode: "buffer" }).notNull(),
    /** Column of the sheet for each field, where it was set by hand. */
    mapping: text("mapping", { mode: "json" }).$type<Record<string, number | null>>().notNull(),
    /** Cells typed anew: "file row column" to text. */
    repairs: text("repairs", { mode: "json" }).$type<Record<string, string>>().notNull(),
    /** Ids of the file that stand for a person or class known already: id in the file to id here. */
    links: text("links", { mode: "json" }).$type<Record<string, string>>().notNull(),
    /** Classes that a school's sheet names and nobody knows are made with it. */
    makeClasses: integer("make_classes", { mode: "boolean" }).notNull().default(false),
    createdAt: integer("created_at").notNull(),
    appliedAt: integer("applied_at"),
    changeId: text("change_id"),
  },
  (t) => [index("roster_drafts_by_owner").on(t.ownerId), index("roster_drafts_by_school").on(t.schoolId)],
);
