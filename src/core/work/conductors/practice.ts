import { readiness } from "../../grouping/readiness";
import { LEARNING } from "../../mastery/learningModel";
import { nextSkill } from "../../selection/nextSkill";
import { aimAt } from "../aimAt";
import { endOfSkill, type SkillHistory } from "../endOfSkill";
import { endOfWork } from "../endOfWork";
import { practiceRule } from "../endRule";
import { markOfFirstTries } from "../markOfFirstTries";
import { chanceNow, mostItems, mostMinutes, type PartSituation, type SkillOfWork } from "../partSituation";
import { isScored, shareOfFirst } from "../sittingItem";
import type { Conductor } from "./conductor";
import { overAfterTries } from "./overAfterTries";
import { USUAL } from "./usual";

/** Weight of one skill that this one unlocks, in choosing between skills. */
const UNLOCK_WEIGHT = 0.15;

/** Adapts to the student, ends when every skill is mastered or the budget is spent, and tells what to look at after each try. */
export const practice: Conductor = {
  ...USUAL,
  begin: (situation) => ({
    chancesAtStart: Object.fromEntries(situation.skillIds.map((id) => [id, chanceNow(situation, id)])),
  }),
  next: (situation, shown) => {
    const skillId = nextSkill(
      situation.skillIds.map((id) => openSkill(situation, id)),
      shown.map((item) => item.skillId),
    );
    return skillId === null ? null : aimAt(situation, skillId);
  },
  take: (given, { tries }) => overAfterTries(tries ?? 2)(given),
  end: (situation) => {
    const spent = {
      items: situation.items.filter(({ state }) => state === "done").length,
      minutes: situation.activeMilliseconds / 60_000,
    };
    const { progress, done, reason } = endOfWork(
      situation.skillIds.map((id) => ({
        rule: practiceRule(situation.settings),
        history: historyOf(situation, id),
      })),
      spent,
      { items: mostItems(situation), minutes: mostMinutes(situation) },
    );
    return { progress, done, reason };
  },
  tells: { verdict: true, hints: true, count: true },
  endsWhenSure: true,
  goesOver: { by: "skills", least: 1, most: 6 },
  mark: markOfFirstTries,
};

function openSkill(situation: PartSituation, id: string) {
  const skill = situation.skills.get(id) as SkillOfWork;
  const chances = new Map(skill.prerequisites.map((under) => [under, chanceNow(situation, under)]));
  const history = historyOf(situation, id);
  return {
    id,
    mastery: history.mastery,
    learning: situation.states.get(id)?.learning ?? LEARNING.shareLearning,
    ready: readiness(skill.prerequisites, chances),
    unlockedWeight: skill.unlocks * UNLOCK_WEIGHT,
    done: endOfSkill(practiceRule(situation.settings), history).done,
    answersHere: history.answers.length,
    contrasts: skill.contrasts,
  };
}

function historyOf(situation: PartSituation, skillId: string): SkillHistory {
  const state = situation.states.get(skillId);
  return {
    mastery: chanceNow(situation, skillId),
    masteryAtStart: situation.state.chancesAtStart?.[skillId] ?? 0,
    scoredAnswers: state?.scoredAnswers ?? 0,
    unaidedAnswers: state?.unaidedAnswers ?? 0,
    itemIds: state?.itemIds ?? [],
    answers: situation.items.filter((item) => item.skillId === skillId && isScored(item)).map(shareOfFirst),
  };
}
