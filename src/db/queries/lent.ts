import "server-only";
import { type SQL, sql } from "drizzle-orm";

/**
 * Holds for a place in a class or group that nobody lends, and for one that is lent as long as the lending tie lasts and still
 * reaches the student: the colleague's days are not over, the class or group was not put away, the student is still in it.
 * Asked in SQL, since a tie ends in many ways and most of them write nothing. The query around it names the table by its own
 * name, the inner tables have others.
 */
export function stillLent(table: "enrollments" | "group_members", day: string): SQL {
  const lentThrough = sql.raw(`"${table}"."lent_through"`);
  const personId = sql.raw(`"${table}"."person_id"`);
  return sql`(
  ${lentThrough} is null
  or exists (
    select 1 from class_staff tie
    join classes home on home.id = tie.class_id and home.archived_at is null
    join enrollments place on place.class_id = tie.class_id and place.person_id = ${personId}
    where tie.id = ${lentThrough} and place.lent_through is null
      and (tie.from_day is null or tie.from_day <= ${day}) and (tie.until_day is null or tie.until_day >= ${day})
      and (place.until_day is null or place.until_day > ${day})
  )
  or exists (
    select 1 from group_shares tie
    join "groups" home on home.id = tie.group_id and home.archived_at is null
    join group_members place on place.group_id = tie.group_id and place.person_id = ${personId}
    where tie.id = ${lentThrough} and place.lent_through is null and place.until_day is null
      and (tie.until_day is null or tie.until_day >= ${day})
  )
)`;
}
