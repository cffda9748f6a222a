import "server-only";
import { and, isNotNull, isNull } from "drizzle-orm";
import type { Queryable } from "../queryable";
import { skillStates } from "../schema/summaries";
import { among } from "./people";

/** Skills in which these students have a snag that is not cleared. */
export async function openSnags(
  db: Queryable,
  personIds: readonly string[],
): Promise<{ personId: string; skillId: string }[]> {
  if (personIds.length === 0) return [];
  return db
    .select({ personId: skillStates.personId, skillId: skillStates.skillId })
    .from(skillStates)
    .where(
      and(among(skillStates.personId, personIds), isNotNull(skillStates.snagDay), isNull(skillStates.snagClearedDay)),
    );
}
