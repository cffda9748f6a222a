import "server-only";
import { desc, eq, inArray } from "drizzle-orm";
import type { Queryable } from "../connection";
import { changes } from "../schema/history";
import { people } from "../schema/people";

/** The latest changes in some classes, newest first, with who made them. */
export async function recentChanges(db: Queryable, classIds: readonly string[], limit: number) {
  return db
    .select({
      id: changes.id,
      at: changes.at,
      kind: changes.kind,
      summary: changes.summary,
      undoneAt: changes.undoneAt,
      givenName: people.givenName,
      familyName: people.familyName,
    })
    .from(changes)
    .innerJoin(people, eq(people.id, changes.actorId))
    .where(inArray(changes.classId, [...classIds]))
    .orderBy(desc(changes.at), desc(changes.id))
    .limit(limit);
}
