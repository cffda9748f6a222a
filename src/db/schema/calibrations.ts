import { index, integer, sqliteTable, text } from "drizzle-orm/sqlite-core";
import { banks } from "./banks";
import { people, schools } from "./people";

/** A skill's items as a calibration found them; `found` as `core/measurement/checkItems` says it. */
export interface CalibratedSkill {
  readonly skillId: string;
  readonly versionIds: readonly string[];
  readonly found: object;
}

/** Calibrations of a bank's items by the answers, whole or on their way; of the stock where there is no bank. */
export const calibrations = sqliteTable(
  "calibrations",
  {
    id: text("id").primaryKey(),
    schoolId: text("school_id")
      .notNull()
      .references(() => schools.id),
    bankId: text("bank_id").references(() => banks.id),
    byId: text("by_id")
      .notNull()
      .references(() => people.id),
    model: text("model", { enum: ["rasch", "2pl", "3pl"] }).notNull(),
    startedAt: integer("started_at").notNull(),
    /** When it last said how far it is: one that has been silent for long has stopped with its process. */
    heardAt: integer("heard_at").notNull(),
    doneSkills: integer("done_skills").notNull(),
    ofSkills: integer("of_skills").notNull(),
    /** Null until it is whole. */
    result: text("result", { mode: "json" }).$type<readonly CalibratedSkill[]>(),
    failedAt: integer("failed_at"),
  },
  (t) => [
    index("calibrations_by_bank").on(t.bankId, t.startedAt),
    index("calibrations_by_school").on(t.schoolId),
    index("calibrations_by_person").on(t.byId),
  ],
);
