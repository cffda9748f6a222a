import { chanceOfRight } from "../selection/chanceOfRight";
import { nextItem, TARGET_CHANCE } from "../selection/nextItem";
import type { Aim, Conductor } from "./conductors/conductor";
import type { PartSituation, PickedItem, PoolItem, SkillOfWork } from "./partSituation";
import type { SittingItem } from "./sittingItem";
import { storyFor } from "./storyFor";

/** A reserve item is taken as the next one when its chance lies this near the target. */
const RESERVE_FITS = 0.15;

type Given = Pick<SittingItem, "skillId" | "itemId" | "versionId" | "seed" | "context">;

/**
 * What comes next: an item in reserve that serves, or an item newly chosen. Null when nothing is left to give.
 */
export function chooseNext(
  conductor: Conductor,
  situation: PartSituation,
  random: () => number,
): SittingItem | PickedItem | null {
  const shown = situation.items.filter(({ state }) => state !== "reserve");
  const aim = conductor.next(situation, shown, random);
  if (!aim) return null;
  const fits = (item: SittingItem): boolean => {
    if (item.state !== "reserve") return false;
    if ("picked" in aim) return isSame(item, aim.picked);
    if ("drawn" in aim) return isSame(item, aim.drawn);
    if (item.skillId !== aim.skillId || item.itemId === shown.at(-1)?.itemId) return false;
    if (aim.evenly) return leastShown(situation, aim.skillId, shown).has(item.itemId);
    const { difficulty } = situation.skills.get(aim.skillId) as SkillOfWork;
    return Math.abs(chanceOfRight(aim.belief, situation.parametersOf(item), difficulty) - TARGET_CHANCE) < RESERVE_FITS;
  };
  return situation.items.find(fits) ?? itemFor(aim, situation, situation.items, random);
}

/** Further items for the reserve, as if the ones before were answered. */
export function chooseReserve(
  conductor: Conductor,
  situation: PartSituation,
  count: number,
  random: () => number,
): PickedItem[] {
  const chosen: PickedItem[] = [];
  for (let n = 0; n < count; n++) {
    const shown = [...situation.items, ...chosen];
    const aim = conductor.next(situation, shown, random);
    const item = aim ? itemFor(aim, situation, shown, random) : null;
    if (item) chosen.push(item);
  }
  return chosen;
}

const isSame = (item: Given, other: Pick<Given, "versionId" | "seed">) =>
  item.versionId === other.versionId && item.seed === other.seed;

function itemFor(aim: Aim, situation: PartSituation, shown: readonly Given[], random: () => number): PickedItem | null {
  if ("picked" in aim) return aim.picked;
  if ("drawn" in aim) return told(aim.skillId, aim.drawn, situation, shown, random);
  const { skillId, belief, missesInRow, evenly } = aim;
  const skill = situation.skills.get(skillId) as SkillOfWork;
  const least = evenly ? leastShown(situation, skillId, shown) : null;
  const found = nextItem(
    least ? skill.pool.filter(({ itemId }) => least.has(itemId)) : skill.pool,
    {
      belief,
      skillDifficulty: skill.difficulty,
      missesInRow,
      recentItemIds: shown.filter((item) => item.skillId === skillId).map(({ itemId }) => itemId),
      seen: new Set(shown.map(({ itemId, seed }) => `${itemId}#${seed}`)),
    },
    random,
  );
  return found ? told(skillId, found, situation, shown, random) : null;
}

/** The item models of a skill that were shown least in this run. */
function leastShown({ skills }: PartSituation, skillId: string, shown: readonly Given[]): ReadonlySet<string> {
  const times = new Map((skills.get(skillId) as SkillOfWork).pool.map(({ itemId }) => [itemId, 0]));
  for (const item of shown)
    if (item.skillId === skillId && times.has(item.itemId)) times.set(item.itemId, (times.get(item.itemId) ?? 0) + 1);
  const least = Math.min(...times.values());
  return new Set([...times].flatMap(([itemId, count]) => (count === least ? [itemId] : [])));
}

/** A draw in the story that it is told in; null where it has none. */
function told(
  skillId: string,
  { itemId, versionId, seed, contexts }: PoolItem,
  situation: PartSituation,
  shown: readonly Given[],
  random: () => number,
): PickedItem | null {
  const context = storyFor(contexts, shown.at(-1)?.context, situation.interests, random);
  return context === undefined ? null : { skillId, itemId, versionId, seed, context };
}

/**
 * The skills whose summaries choosing looks at: those of the part and what they build on.
 * @example skillsLookedAt(["b"], (id) => (id === "b" ? ["a"] : [])) // ["b", "a"]
 */
export function skillsLookedAt(
  skillIds: readonly string[],
  prerequisitesOf: (skillId: string) => readonly string[],
): string[] {
  return [...new Set(skillIds.flatMap((id) => [id, ...prerequisitesOf(id)]))];
}
