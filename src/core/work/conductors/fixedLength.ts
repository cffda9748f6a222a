import type { SkillBelief } from "../../mastery/skillBelief";
import { mostItems, type PartSituation } from "../partSituation";
import type { Aim, PartEnd } from "./conductor";

/** Where everybody's items are chosen as for somebody at the boundary of mastery, results compare. */
export const COMMON_BELIEF: SkillBelief = { mean: 0, spread: 1 };

/**
 * The next of a fixed number of items: those picked by hand in their order, or else one skill after the other, so that each
 * gets its share.
 */
export function nextOfFixed(
  { skillIds, picked, ...situation }: PartSituation,
  shown: readonly { readonly skillId: string }[],
): Aim | null {
  if (shown.length >= mostItems(situation)) return null;
  if (picked.length > 0) {
    const item = picked[shown.length];
    return item ? { picked: item } : null;
  }
  const skillId = skillIds[shown.length % skillIds.length];
  return skillId === undefined ? null : { skillId, belief: COMMON_BELIEF, missesInRow: 0 };
}

/** Ended by the number of items alone. */
export function endOfFixed(situation: PartSituation): PartEnd {
  const done = situation.items.filter(({ state }) => state === "done").length;
  const wanted =
    situation.picked.length > 0 ? Math.min(situation.picked.length, mostItems(situation)) : mostItems(situation);
  return done >= wanted
    ? { progress: 1, done: true, reason: "amount" }
    : { progress: done / wanted, done: false, reason: null };
}
