import "server-only";
import { drawParameters } from "@/core/items/drawParameters";
import { itemParameters } from "@/core/items/itemParameters";
import { masteryReached } from "@/core/mastery/masteryReached";
import { priorBelief } from "@/core/mastery/priorBelief";
import type { SkillState } from "@/core/mastery/skillState";
import { updateSkillState } from "@/core/mastery/updateSkillState";
import { seededRandom } from "@/core/numeric/seededRandom";
import { type ItemCandidate, nextItem } from "@/core/selection/nextItem";
import type { SkillContent } from "../contentTypes";

/** Draws of an item to choose among. */
const DRAWS = 20;

/**
 * After how many items, all right, somebody of the skill's grade has mastered it; null when so many are not enough. Items that are easy or
 * easily guessed tell too little, however many there are.
 */
export function itemsToMastery({ id, grade, difficulty, items }: SkillContent, most: number): number | null {
  const pool = items.flatMap((item) =>
    Array.from({ length: DRAWS }, (_, seed): ItemCandidate => {
      const version = { id: `${item.id}@1`, itemId: item.id, body: item.body };
      return {
        itemId: item.id,
        seed,
        parameters: itemParameters(item.body, drawParameters(version, seed), difficulty),
      };
    }),
  );
  const random = seededRandom(id);
  const prior = priorBelief(grade, difficulty);
  const given: ItemCandidate[] = [];
  let state: SkillState | null = null;
  while (given.length < most) {
    const next: ItemCandidate | null = nextItem(
      pool,
      {
        belief: state ?? prior,
        skillDifficulty: difficulty,
        missesInRow: 0,
        recentItemIds: given.map(({ itemId }) => itemId),
        seen: new Set(given.map((one) => `${one.itemId}#${one.seed}`)),
      },
      random,
    );
    if (!next) return null;
    given.push(next);
    state = updateSkillState(
      state,
      prior,
      { share: 1, tryNumber: 1, hintsUsed: 0, itemId: next.itemId, item: next.parameters, day: 0 },
      difficulty,
    );
    if (masteryReached(state)) return given.length;
  }
  return null;
}
