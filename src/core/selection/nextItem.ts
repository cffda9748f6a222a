import type { ItemParameters } from "../measurement/item";
import { chanceOfRight } from "./chanceOfRight";

/** An item that could be given next. */
export interface ItemCandidate {
  readonly modelId: string;
  readonly seed: number;
  readonly item: ItemParameters;
}

/** Predicted chance of a right answer to aim at, and after two misses in a row. */
export const TARGET_CHANCE = 0.8;
export const TARGET_AFTER_MISSES = 0.9;
/** Distance from the target that a repeated item model costs: another model within this distance goes first. */
const REPEATED_MODEL_COST = 0.15;
/** Candidates this close in cost count as equal; one of them is drawn. */
const TIE = 0.02;

/**
 * The next practice item of one skill: the one whose predicted chance of a right answer lies nearest the target, with item
 * models mixed (a model costs more the more of the last two items were its own) and items already seen left out. When all
 * were seen, seen ones come back rather than none. Null only without candidates. `random` breaks near ties.
 */
export function nextItem<Candidate extends ItemCandidate>(
  candidates: readonly Candidate[],
  situation: {
    readonly mastery: number;
    readonly missesInRow: number;
    readonly skillDifficulty: number;
    /** Models of the items given before, the latest last. */
    readonly recentModelIds: readonly string[];
    /** Items already given, as "model#seed". */
    readonly seen: ReadonlySet<string>;
  },
  random: () => number,
): Candidate | null {
  const unseen = candidates.filter((candidate) => !situation.seen.has(`${candidate.modelId}#${candidate.seed}`));
  const open = unseen.length > 0 ? unseen : candidates;
  const target = situation.missesInRow >= 2 ? TARGET_AFTER_MISSES : TARGET_CHANCE;
  const lastTwo = situation.recentModelIds.slice(-2);
  const costs = open.map((candidate) => {
    const chance = chanceOfRight(situation.mastery, candidate.item, situation.skillDifficulty);
    const repeats = lastTwo.filter((modelId) => modelId === candidate.modelId).length;
    return Math.abs(chance - target) + repeats * REPEATED_MODEL_COST;
  });
  const least = Math.min(...costs);
  const near = open.filter((_, place) => (costs[place] ?? Number.POSITIVE_INFINITY) <= least + TIE);
  return near[Math.floor(random() * near.length)] ?? null;
}
