import "server-only";
import { and, eq, isNull, sql } from "drizzle-orm";
import type { Queryable } from "../queryable";
import { skillStandards, skills } from "../schema/library";
import { among } from "./people";

/** Deeper trees are none that anybody wrote by hand; a circle ends here too. */
const MOST_LEVELS = 12;

/** Some standards with what stands under them and what a crosswalk ties to any of those, in one step either way. */
export async function standardsWithRelated(db: Queryable, ids: readonly string[]): Promise<string[]> {
  const rows = await db.all<{ id: string }>(
    sql`with recursive under(id, level) as (
          select value, 0 from json_each(${JSON.stringify(ids)})
          union select s.id, u.level + 1 from standards s join under u on s.parent_id = u.id where u.level < ${MOST_LEVELS}
        )
        select id from under
        union select l.to_id from standard_links l join under u on u.id = l.from_id where l.kind <> 'precedes'
        union select l.from_id from standard_links l join under u on u.id = l.to_id where l.kind <> 'precedes'`,
  );
  return rows.map(({ id }) => id);
}

/** Skills that belong to any of some standards. */
export async function skillsOfStandards(db: Queryable, standardIds: readonly string[]): Promise<string[]> {
  const rows = await db
    .selectDistinct({ id: skills.id })
    .from(skillStandards)
    .innerJoin(skills, eq(skills.id, skillStandards.skillId))
    .where(and(among(skillStandards.standardId, standardIds), isNull(skills.retiredAt)));
  return rows.map(({ id }) => id);
}
