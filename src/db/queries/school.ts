import "server-only";
import { asc, eq } from "drizzle-orm";
import type { Queryable } from "../queryable";
import { classStaff, holidays, people, roles, schools, terms } from "../schema/people";

/** A new school with its first term, its holidays and its staff. */
export async function insertSchool(
  tx: Queryable,
  rows: {
    school: typeof schools.$inferInsert;
    term: typeof terms.$inferInsert;
    holidays: Omit<typeof holidays.$inferInsert, "id">[];
    staff: (typeof people.$inferInsert)[];
    roles?: (typeof roles.$inferInsert)[];
  },
): Promise<void> {
  await tx.insert(schools).values(rows.school);
  await tx.insert(terms).values(rows.term);
  if (rows.holidays.length > 0) await tx.insert(holidays).values(rows.holidays.map(holidayRow));
  if (rows.staff.length > 0) await tx.insert(people).values(rows.staff);
  if (rows.roles && rows.roles.length > 0) await tx.insert(roles).values(rows.roles);
}

export async function insertClassStaff(tx: Queryable, row: typeof classStaff.$inferInsert): Promise<void> {
  await tx.insert(classStaff).values(row);
}

/** A school has one name for a day on which nothing is taught. */
export const holidayRow = (row: Omit<typeof holidays.$inferInsert, "id">): typeof holidays.$inferInsert => ({
  id: `${row.schoolId} ${row.day}`,
  ...row,
});

/** The days on which nothing is taught at a school, with their names. */
export async function holidaysAt(db: Queryable, schoolId: string) {
  return db.select().from(holidays).where(eq(holidays.schoolId, schoolId)).orderBy(asc(holidays.day));
}
