import { groupBy } from "../collections/groupBy";
import { missedSkills } from "../measurement/missedSkills";
import { chanceNow, type PartSituation } from "./partSituation";
import { isRightFirst } from "./sittingItem";

/**
 * The skills that a student missed in a test, the least sure first: by the chance of mastery after it, or because none of its items was right.
 * @throws RangeError for an item of a skill that the situation does not hold.
 * @example missedInRun({ items: [] }) // []
 */
export function missedInRun(situation: PartSituation): string[] {
  const bySkill = groupBy(situation.items, ({ skillId }) => skillId);
  return missedSkills(
    [...bySkill].map(([skillId, items]) => ({
      skillId,
      chance: chanceNow(situation, skillId),
      right: items.filter(isRightFirst).length,
      given: items.length,
    })),
  ).map(({ skillId }) => skillId);
}
