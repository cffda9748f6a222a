import { index, integer, sqliteTable, text } from "drizzle-orm/sqlite-core";
import { BANK_LEVELS, BANK_ROLES } from "../../core/model/bankLevel";
import { people, schools } from "./people";

/** A collection of items under one roof: of a person where it has an owner, of the school otherwise. */
export const banks = sqliteTable(
  "banks",
  {
    id: text("id").primaryKey(),
    schoolId: text("school_id")
      .notNull()
      .references(() => schools.id),
    ownerId: text("owner_id").references(() => people.id),
    name: text("name").notNull(),
    /** Under which its items may be passed on, in the words of whoever owns it; empty where nothing is said. */
    license: text("license").notNull().default(""),
    /** The school day before which only those who look after it see its items; null where everybody with a right does. */
    restrictedUntil: text("restricted_until"),
    createdAt: integer("created_at").notNull(),
    archivedAt: integer("archived_at"),
  },
  (t) => [index("banks_by_school").on(t.schoolId), index("banks_by_owner").on(t.ownerId)],
);

/** Who else may do what with a bank: a person, everybody of a school, or those with a role there. */
export const bankRights = sqliteTable(
  "bank_rights",
  {
    id: text("id").primaryKey(),
    bankId: text("bank_id")
      .notNull()
      .references(() => banks.id),
    personId: text("person_id").references(() => people.id),
    schoolId: text("school_id").references(() => schools.id),
    /** Only those of the school with this role; null for its whole staff. */
    role: text("role", { enum: BANK_ROLES }),
    level: text("level", { enum: BANK_LEVELS }).notNull(),
  },
  (t) => [
    index("bank_rights_by_bank").on(t.bankId),
    index("bank_rights_by_person").on(t.personId),
    index("bank_rights_by_school").on(t.schoolId),
  ],
);
