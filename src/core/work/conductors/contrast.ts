import type { Tally } from "../../model/work";
import { contrastSet } from "../../selection/contrastSet";
import { markOfFirstTries } from "../markOfFirstTries";
import { mostItems, type PartSituation } from "../partSituation";
import { isRightFirst, isScored, type SittingItem } from "../sittingItem";
import type { Conductor } from "./conductor";
import { COMMON_BELIEF, endOfFixed } from "./fixedLength";
import { overAfterTries } from "./overAfterTries";
import { USUAL } from "./usual";

/**
 * Skills that are taken for one another: first each alone, then mixed, so that it shows whether somebody tells them apart when nothing says which it is
 * (Rohrer & Taylor 2007). Told after each try; the same hardness for everybody, so that alone and mixed compare.
 */
export const contrast: Conductor = {
  ...USUAL,
  next: (situation, shown) => {
    const skillId = orderOf(situation)[shown.length];
    return skillId === undefined ? null : { skillId, belief: COMMON_BELIEF, missesInRow: 0 };
  },
  take: (given, { tries }) => overAfterTries(tries ?? 2)(given),
  end: endOfFixed,
  atEnd: (situation) => {
    const done = situation.items.filter(({ state }) => state === "done");
    const alone = aloneOf(situation);
    return { contrast: { alone: tallyOf(done.slice(0, alone)), mixed: tallyOf(done.slice(alone)) } };
  },
  tells: { verdict: true, hints: true, count: true },
  goesOver: { by: "skills", least: 2, most: 4 },
  mark: markOfFirstTries,
};

/** Items in which each skill stands alone: half of all. */
const aloneOf = (situation: PartSituation): number => Math.floor(mostItems(situation) / 2);

/** The skill of each place: one after the other alone, then mixed. */
function orderOf(situation: PartSituation): readonly string[] {
  const { skillIds } = situation;
  const [first = "", ...partners] = skillIds;
  const alone = aloneOf(situation);
  return [
    ...Array.from({ length: alone }, (_, place) => skillIds[Math.floor((place * skillIds.length) / alone)] as string),
    ...contrastSet(first, partners, mostItems(situation) - alone),
  ];
}

const tallyOf = (items: readonly SittingItem[]): Tally => ({
  right: items.filter(isRightFirst).length,
  of: items.filter(isScored).length,
});
