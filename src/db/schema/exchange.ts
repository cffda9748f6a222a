import { blob, index, integer, sqliteTable, text } from "drizzle-orm/sqlite-core";
import { banks } from "./banks";
import { itemVersions } from "./items";
import { skills, subjects } from "./library";
import { people, schools } from "./people";

/** A file of items or of standards on its way in: kept until applied or dropped, so that a reload loses nothing. */
export const libraryDrafts = sqliteTable(
  "library_drafts",
  {
    id: text("id").primaryKey(),
    ownerId: text("owner_id")
      .notNull()
      .references(() => people.id),
    schoolId: text("school_id")
      .notNull()
      .references(() => schools.id),
    /** A content package, one document of it, a row an item, or a framework of standards. */
    kind: text("kind", { enum: ["package", "document", "sheet", "framework"] }).notNull(),
    /** Where items go; null for a framework. */
    bankId: text("bank_id").references(() => banks.id),
    /** Under which items stand that say nothing themselves; null where they then come as drafts. */
    skillId: text("skill_id").references(() => skills.id),
    /** Of a framework that is new; null for items, or where it is not chosen yet. */
    subjectId: text("subject_id").references(() => subjects.id),
    fileName: text("file_name").notNull(),
    bytes: blob("bytes", { mode: "buffer" }).notNull(),
    createdAt: integer("created_at").notNull(),
    appliedAt: integer("applied_at"),
    changeId: text("change_id"),
  },
  (t) => [
    index("library_drafts_by_owner").on(t.ownerId),
    index("library_drafts_by_school").on(t.schoolId),
    index("library_drafts_by_bank").on(t.bankId),
    index("library_drafts_by_skill").on(t.skillId),
    index("library_drafts_by_subject").on(t.subjectId),
  ],
);

/** What a version was read from, where not all of it could be kept: it goes out again with the item. */
export const itemOriginals = sqliteTable("item_originals", {
  id: text("id").primaryKey(),
  versionId: text("version_id")
    .notNull()
    .unique()
    .references(() => itemVersions.id),
  fileName: text("file_name").notNull(),
  /** The document, as text. */
  document: text("document").notNull(),
  /** What was not kept of it, as codes. */
  remarks: text("remarks", { mode: "json" }).$type<readonly OriginalRemark[]>().notNull(),
});

interface OriginalRemark {
  readonly code: string;
  readonly at?: string;
  readonly line?: number;
}
