import { chanceNow, type PartSituation } from "./partSituation";
import { isRightFirst, isScored, type SittingItem } from "./sittingItem";

type Shown = readonly { readonly skillId: string }[];

/** The skills that today's review asks, in order. */
export const askedIn = ({ state, skillIds }: PartSituation): readonly string[] => state.asked ?? skillIds;

/**
 * The skill that comes next in a review: after a miss one of those underneath that was not shown yet, the least sure first; then what was not asked
 * yet; at the end what was missed, once more. Null when all of that was shown.
 * @throws RangeError for a skill that the situation does not hold.
 */
export function nextInReview(situation: PartSituation, shown: Shown): string | null {
  const times = (skillId: string) => shown.filter((item) => item.skillId === skillId).length;
  const asked = askedIn(situation);
  const missed = asked.filter((skillId) => wasMissed(situation, skillId));
  const under = missed.flatMap((skillId) => {
    const below = detoursFrom(situation, skillId);
    return below.some((id) => times(id) > 0) ? [] : below.slice(0, 1);
  });
  return (
    under[0] ??
    asked.find((skillId) => times(skillId) === 0) ??
    missed.find((skillId) => times(skillId) === 1 && shown.at(-1)?.skillId !== skillId) ??
    missed.find((skillId) => times(skillId) === 1) ??
    null
  );
}

/** What lies directly underneath and has items, the least sure first. */
function detoursFrom(situation: PartSituation, skillId: string): string[] {
  const { skills, skillIds } = situation;
  return (skills.get(skillId)?.prerequisites ?? [])
    .filter((id) => skillIds.includes(id) && (skills.get(id)?.pool.length ?? 0) > 0)
    .sort((x, y) => chanceNow(situation, x) - chanceNow(situation, y));
}

const wasMissed = ({ items }: PartSituation, skillId: string): boolean => {
  const first = firstOf(items, skillId);
  return first?.state === "done" && isScored(first) && !isRightFirst(first);
};

const firstOf = (items: readonly SittingItem[], skillId: string): SittingItem | undefined =>
  items.find((item) => item.skillId === skillId && item.state !== "reserve");

/**
 * How far a review has come, 0 to 1: a skill that was right at once counts whole, one that was missed half until it was asked again.
 */
export function progressOfReview(situation: PartSituation): number {
  const asked = askedIn(situation);
  const done = ({ skillId, state }: SittingItem, wanted: string) => skillId === wanted && state === "done";
  const shares = asked.map((skillId) => {
    const times = situation.items.filter((item) => done(item, skillId)).length;
    return times === 0 ? 0 : wasMissed(situation, skillId) && times < 2 ? 0.5 : 1;
  });
  return asked.length === 0 ? 1 : shares.reduce<number>((sum, share) => sum + share, 0) / asked.length;
}
