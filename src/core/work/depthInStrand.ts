import { masteryMark } from "../mastery/masteryMark";
import { chanceNow, type PartSituation, type SkillOfWork } from "./partSituation";
import { isRightFirst, isScored } from "./sittingItem";

/** A prerequisite is likely there from this chance of mastery on. */
const THERE_FROM = 0.5;
/** Misses in a row, in this run, after which a student moves down. */
const MISSES_TO_REST = 3;

/**
 * The skill at which a student stands in a chain of skills across grades: the hardest that is not mastered and whose prerequisites, as far as they are in
 * the chain, are likely there. One that was missed three times in a row rests, and what lies under it comes; with nothing else open it is gone on with.
 * Null when all are mastered. Whoever is at a skill stays with it until it is mastered or rests.
 * @param shownSkillIds skills of the items shown, in order
 */
export function depthInStrand(situation: PartSituation, shownSkillIds: readonly string[]): string | null {
  const open = situation.skillIds.filter((id) => !isMastered(situation, id));
  if (open.length === 0) return null;
  const awake = open.filter((id) => !rests(situation, id));
  const last = shownSkillIds.at(-1);
  if (last !== undefined && awake.includes(last)) return last;
  const difficulty = (id: string) => (situation.skills.get(id) as SkillOfWork).difficulty;
  const hardestFirst = (ids: readonly string[]) => [...ids].sort((x, y) => difficulty(y) - difficulty(x));
  const under = last === undefined ? [] : prerequisitesIn(situation, last).filter((id) => awake.includes(id));
  const ready = awake.filter((id) => prerequisitesIn(situation, id).every((one) => isThere(situation, one)));
  return (
    hardestFirst(under)[0] ?? hardestFirst(ready)[0] ?? hardestFirst(awake).at(-1) ?? hardestFirst(open).at(-1) ?? null
  );
}

const prerequisitesIn = ({ skills, skillIds }: PartSituation, id: string): readonly string[] =>
  (skills.get(id)?.prerequisites ?? []).filter((one) => skillIds.includes(one));

const isThere = (situation: PartSituation, id: string): boolean =>
  isMastered(situation, id) || (!rests(situation, id) && chanceNow(situation, id) >= THERE_FROM);

/** Whether a skill is mastered today. */
export function isMastered(situation: PartSituation, id: string): boolean {
  const state = situation.states.get(id);
  return state !== undefined && masteryMark(state, chanceNow(situation, id)) === "now";
}

function rests({ items }: PartSituation, id: string): boolean {
  const own = items.filter((item) => item.skillId === id && isScored(item));
  return own.length >= MISSES_TO_REST && own.slice(-MISSES_TO_REST).every((item) => !isRightFirst(item));
}
