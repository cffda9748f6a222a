import "server-only";
import { dayNumber } from "@/core/calendar/dayNumber";
import { groupBy } from "@/core/collections/groupBy";
import { chanceOfMastery } from "@/core/mastery/chanceOfMastery";
import { masteryToday } from "@/core/mastery/masteryToday";
import { startingBelief } from "@/core/mastery/startingBelief";
import { missedSkills } from "@/core/measurement/missedSkills";
import { isRightFirst } from "@/core/work/sittingItem";
import type { NewScore } from "@/db/queries/answering";
import { gradeAtWork } from "@/db/queries/people";
import type { SittingItemRow } from "@/db/queries/sittings";
import type { Queryable } from "@/db/queryable";
import { knownOf } from "@/server/classroom/knownOf";
import { drawerWith, versionsOf } from "@/server/library/drawnItems";
import { type Library, libraryOf } from "@/server/library/library";
import { shelvesOf } from "@/server/library/shelf";
import type { Context } from "@/server/runtime/context";
import { dayAt, schoolOf } from "@/server/runtime/school";
import { scoresOfParts } from "@/server/summaries/scoresOfParts";
import type { PaperWork } from "../reads/paperWork";

/** Points are given in halves; what was earned is kept whole. */
export const STEPS = 2;

/** Makes scores of points that were typed in for one student. */
export interface PaperScoring {
  readonly by: Pick<NewScore, "by" | "scorerId" | "scoredAt">;
  readonly library: Library;
  readonly grade: number | null;
  /** Each part of the item earned the share that the whole did: on paper nobody says which. */
  of(item: SittingItemRow, points: number): NewScore[];
}

export async function paperScores(
  tx: Queryable,
  { runtime, actor }: Context,
  { work, placed }: PaperWork,
  personId: string,
): Promise<PaperScoring> {
  const [library, grade, known, versions, shelves] = await Promise.all([
    libraryOf(runtime),
    gradeAtWork(tx, personId, work.classId),
    knownOf(tx, [personId]),
    versionsOf(
      runtime,
      placed.map(({ versionId }) => versionId),
    ),
    shelvesOf(
      runtime,
      placed.map(({ skillId }) => skillId),
    ),
  ]);
  const drawer = drawerWith(runtime, versions);
  const by = { by: "person" as const, scorerId: actor.personId, scoredAt: runtime.now() };
  return {
    by,
    library,
    grade,
    of: (item, points) => {
      const [version, shelf] = [versions.get(item.versionId), shelves.get(item.skillId)];
      if (!version || !shelf) return [];
      const drawn = drawer.draw(item);
      return scoresOfParts(
        drawn.parts.map(({ id }) => ({
          partId: id,
          earned: points * STEPS,
          possible: item.points * STEPS,
          misconceptionIds: [],
        })),
        {
          personId,
          skillId: item.skillId,
          drawn,
          version,
          whole: shelf.parametersOf(version, item.seed),
          library,
          grade,
          placements: known(personId).placements,
          by,
        },
      );
    },
  };
}

/** The skills that a student missed in a test on paper, the least sure first, by what is known after it. */
export async function missedOnPaper(
  tx: Queryable,
  { runtime, actor }: Context,
  personId: string,
  { library, grade }: PaperScoring,
  items: readonly SittingItemRow[],
): Promise<string[]> {
  const { states, placements } = (await knownOf(tx, [personId]))(personId);
  const day = dayNumber(dayAt(await schoolOf(runtime, actor.schoolId), runtime.now()));
  return missedSkills(
    [...groupBy(items, ({ skillId }) => skillId)].map(([skillId, own]) => {
      const state = states.get(skillId);
      return {
        skillId,
        chance: state
          ? masteryToday(state, day)
          : chanceOfMastery(startingBelief({ grade, placements }, library.skill(skillId))),
        right: own.filter(isRightFirst).length,
        given: own.length,
      };
    }),
  ).map(({ skillId }) => skillId);
}
