import "server-only";
import { and, isNotNull, isNull } from "drizzle-orm";
import type { Queryable } from "../queryable";
import { skillStates } from "../schema/summaries";
import { among } from "./people";

/** A snag that is not cleared, with what it stands on. */
export interface OpenSnag {
  readonly personId: string;
  readonly skillId: string;
  readonly snagDay: number | null;
  readonly snagClearedDay: number | null;
  readonly mastery: number;
  readonly learning: number;
  readonly scoredAnswers: number;
  readonly rightFirstTries: number;
}

/** Skills in which these students have a snag that is not cleared. */
export async function openSnags(db: Queryable, personIds: readonly string[]): Promise<OpenSnag[]> {
  if (personIds.length === 0) return [];
  const { personId, skillId, snagDay, snagClearedDay, mastery, learning, scoredAnswers, rightFirstTries } = skillStates;
  return db
    .select({ personId, skillId, snagDay, snagClearedDay, mastery, learning, scoredAnswers, rightFirstTries })
    .from(skillStates)
    .where(
      and(among(skillStates.personId, personIds), isNotNull(skillStates.snagDay), isNull(skillStates.snagClearedDay)),
    );
}
