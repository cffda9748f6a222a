import { guessAndSlip } from "../../mastery/guessAndSlip";
import { MOST_OF_SHORT_CHECK, shortCheck } from "../../selection/shortCheck";
import { markOfFirstTries } from "../markOfFirstTries";
import { mostItems, type PartSituation, type SkillOfWork } from "../partSituation";
import { isRightFirst, isScored, type SittingItem } from "../sittingItem";
import type { Conductor } from "./conductor";
import { COMMON_BELIEF } from "./fixedLength";
import { overAfterTries } from "./overAfterTries";
import { USUAL } from "./usual";

/**
 * A short check of one skill after another: each ends as soon as its answers decide between mastered and not (`shortCheck`). Nothing is told before
 * the end, and what was not learned yet may be set aside; that counts in the length and not in the verdict.
 */
export const sequential: Conductor = {
  ...USUAL,
  next: (situation, shown) => {
    if (shown.length >= mostItems(situation)) return null;
    const skillId = situation.skillIds.find((id) => !isDecided(situation, id));
    return skillId === undefined ? null : { skillId, belief: COMMON_BELIEF, missesInRow: 0 };
  },
  take: overAfterTries(1),
  end: (situation) => {
    const decided = situation.skillIds.filter((id) => isDecided(situation, id));
    const shares = situation.skillIds.map((id) =>
      decided.includes(id) ? 1 : doneOf(situation, id).length / MOST_OF_SHORT_CHECK,
    );
    const spent = situation.items.filter(({ state }) => state === "done").length >= mostItems(situation);
    return decided.length === situation.skillIds.length || spent
      ? { progress: 1, done: true, reason: "decided" }
      : { progress: shares.reduce((sum, share) => sum + share, 0) / shares.length, done: false, reason: null };
  },
  atEnd: (situation) => ({
    verdicts: Object.fromEntries(
      situation.skillIds.map((id) => [id, checkOf(situation, id).verdict ?? ("undecided" as const)]),
    ),
  }),
  tells: { verdict: false, hints: false, count: false },
  goesOver: { by: "skills", least: 1, most: 6 },
  looksAhead: false,
  setsAside: true,
  mark: ({ items }) => markOfFirstTries({ items: items.filter(({ setAside }) => !setAside) }),
};

const doneOf = ({ items }: PartSituation, skillId: string): readonly SittingItem[] =>
  items.filter((item) => item.skillId === skillId && item.state === "done");

function checkOf(situation: PartSituation, skillId: string) {
  const { difficulty } = situation.skills.get(skillId) as SkillOfWork;
  return shortCheck(
    doneOf(situation, skillId)
      .filter(isScored)
      .map((item) => ({ right: isRightFirst(item), ...guessAndSlip(situation.parametersOf(item), difficulty) })),
  );
}

const isDecided = (situation: PartSituation, skillId: string): boolean =>
  checkOf(situation, skillId).done || doneOf(situation, skillId).length >= MOST_OF_SHORT_CHECK;
