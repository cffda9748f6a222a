import "server-only";
import type { Queryable } from "../queryable";
import { classStaff, holidays, people, roles, schools, terms } from "../schema/people";

/** A new school with its first term, its holidays and its staff. */
export async function insertSchool(
  tx: Queryable,
  rows: {
    school: typeof schools.$inferInsert;
    term: typeof terms.$inferInsert;
    holidays: (typeof holidays.$inferInsert)[];
    staff: (typeof people.$inferInsert)[];
    roles?: (typeof roles.$inferInsert)[];
  },
): Promise<void> {
  await tx.insert(schools).values(rows.school);
  await tx.insert(terms).values(rows.term);
  if (rows.holidays.length > 0) await tx.insert(holidays).values(rows.holidays);
  if (rows.staff.length > 0) await tx.insert(people).values(rows.staff);
  if (rows.roles && rows.roles.length > 0) await tx.insert(roles).values(rows.roles);
}

export async function insertClassStaff(tx: Queryable, row: typeof classStaff.$inferInsert): Promise<void> {
  await tx.insert(classStaff).values(row);
}
