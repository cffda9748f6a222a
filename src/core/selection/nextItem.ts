import type { SkillBelief } from "../mastery/skillBelief";
import type { ItemParameters } from "../measurement/item";
import { chanceOfRight } from "./chanceOfRight";

/** An item that could be given next. */
export interface ItemCandidate {
  readonly itemId: string;
  readonly seed: number;
  readonly parameters: ItemParameters;
}

/** Predicted chance of a right answer to aim at, and after two misses in a row. */
export const TARGET_CHANCE = 0.8;
export const TARGET_AFTER_MISSES = 0.9;
/** Distance from the target that a repeated item costs: another one within this distance goes first. */
const REPEATED_ITEM_COST = 0.15;
/** Candidates this close in cost count as equal; one of them is drawn. */
const TIE = 0.02;

/**
 * The next practice item of one skill: the one whose predicted chance of a right answer lies nearest the target, with items
 * mixed (one costs more the more of the last two draws were its own) and draws already seen left out. When all
 * were seen, seen ones come back rather than none. Null only without candidates. `random` breaks near ties.
 */
export function nextItem<Candidate extends ItemCandidate>(
  candidates: readonly Candidate[],
  situation: {
    /** What is believed of the student in the skill, and the skill's own difficulty in logits. */
    readonly belief: SkillBelief;
    readonly skillDifficulty: number;
    readonly missesInRow: number;
    /** Items given before, the latest last. */
    readonly recentItemIds: readonly string[];
    /** Items already given, as "item#seed". */
    readonly seen: ReadonlySet<string>;
  },
  random: () => number,
): Candidate | null {
  const unseen = candidates.filter((candidate) => !situation.seen.has(`${candidate.itemId}#${candidate.seed}`));
  const open = unseen.length > 0 ? unseen : candidates;
  const target = situation.missesInRow >= 2 ? TARGET_AFTER_MISSES : TARGET_CHANCE;
  const lastTwo = situation.recentItemIds.slice(-2);
  const costs = open.map((candidate) => {
    const chance = chanceOfRight(situation.belief, candidate.parameters, situation.skillDifficulty);
    const repeats = lastTwo.filter((itemId) => itemId === candidate.itemId).length;
    return Math.abs(chance - target) + repeats * REPEATED_ITEM_COST;
  });
  const least = Math.min(...costs);
  const near = open.filter((_, place) => (costs[place] ?? Number.POSITIVE_INFINITY) <= least + TIE);
  return near[Math.floor(random() * near.length)] ?? null;
}
