import "server-only";
import { readiness } from "@/core/grouping/readiness";
import { LEARNING } from "@/core/mastery/learningModel";
import { MASTERY_RULE } from "@/core/mastery/masteryReached";
import { masteryToday } from "@/core/mastery/masteryToday";
import { priorMastery } from "@/core/mastery/priorMastery";
import type { SkillState } from "@/core/mastery/skillState";
import { chanceOfRight } from "@/core/selection/chanceOfRight";
import { nextItem, TARGET_CHANCE } from "@/core/selection/nextItem";
import { nextSkill } from "@/core/selection/nextSkill";
import { endOfSkill, type SkillHistory } from "@/core/work/endOfSkill";
import { endOfWork, type WorkEnd } from "@/core/work/endOfWork";
import type { Presentation } from "@/db/schema/delivery";
import type { Library, PoolItem } from "@/server/runtime/library";

/** All that choosing the next item looks at. */
export interface Situation {
  readonly kind: "practice" | "check";
  readonly skillIds: readonly string[];
  readonly states: ReadonlyMap<string, SkillState>;
  readonly chancesAtStart: Readonly<Record<string, number>>;
  readonly grade: number;
  readonly day: number;
  /** In the order of showing. */
  readonly presentations: readonly Presentation[];
  readonly budgetItems: number;
}

/** An item chosen but not yet stored. */
export interface ChosenItem {
  readonly skillId: string;
  readonly modelId: string;
  readonly modelVersion: number;
  readonly seed: number;
  readonly context: string;
}

/** Items held ready in the browser for a lost connection. */
export const RESERVE_ITEMS = 4;
/** A reserve item is taken as the next one when its chance lies this near the target. */
const RESERVE_FITS = 0.15;
/** In a check everybody's items are chosen as for this chance of mastery, so that results compare. */
const CHECK_MASTERY = 0.5;
/** Weight of one skill that this one unlocks, in choosing between skills. */
const UNLOCK_WEIGHT = 0.15;

export const begun = (presentation: { readonly tries: number }) => presentation.tries > 0;
const done = (presentation: Presentation) => presentation.state === "done";

export function chanceNow(situation: Situation, library: Library, skillId: string): number {
  const state = situation.states.get(skillId);
  return state ? masteryToday(state, situation.day) : priorMastery(situation.grade, library.skill(skillId).difficulty);
}

/** How far the sitting has come. A check ends with its number of items, a practice by mastery or budget. */
export function progressOf(situation: Situation, library: Library): Pick<WorkEnd, "progress" | "done" | "reason"> {
  const spent = { items: situation.presentations.filter(done).length, minutes: 0 };
  if (situation.kind === "check") {
    const share = spent.items / situation.budgetItems;
    return share >= 1 ? { progress: 1, done: true, reason: "amount" } : { progress: share, done: false, reason: null };
  }
  return endOfWork(
    situation.skillIds.map((id) => ({ rule: MASTERY_RULE, history: historyOf(situation, library, id) })),
    spent,
    { items: situation.budgetItems, minutes: null },
  );
}

function historyOf(situation: Situation, library: Library, skillId: string): SkillHistory {
  const state = situation.states.get(skillId);
  return {
    mastery: chanceNow(situation, library, skillId),
    masteryAtStart: situation.chancesAtStart[skillId] ?? 0,
    scoredAnswers: state?.scoredAnswers ?? 0,
    modelIds: state?.modelIds ?? [],
    answers: situation.presentations.filter((p) => p.skillId === skillId && begun(p)).map((p) => p.rightFirst === true),
  };
}

/** A presentation in reserve that serves as the next item, or a newly chosen item. */
export function chooseNext(
  situation: Situation,
  library: Library,
  random: () => number,
): Presentation | ChosenItem | null {
  const shown = situation.presentations.filter((p) => p.state !== "reserve");
  const skillId = chooseSkill(situation, library, shown);
  if (!skillId) return null;
  const mastery = situation.kind === "check" ? CHECK_MASTERY : chanceNow(situation, library, skillId);
  const fitting = situation.presentations.find((p) => {
    if (p.state !== "reserve" || p.skillId !== skillId || p.modelId === shown.at(-1)?.modelId) return false;
    const item = library.parameters(p.modelId, p.modelVersion, p.seed, skillId);
    return Math.abs(chanceOfRight(mastery, item, library.skill(skillId).difficulty) - TARGET_CHANCE) < RESERVE_FITS;
  });
  return fitting ?? chooseItem(situation, library, skillId, situation.presentations, random);
}

/** Further items for the reserve, as if the ones before were answered. */
export function chooseReserve(
  situation: Situation,
  library: Library,
  count: number,
  random: () => number,
): ChosenItem[] {
  const chosen: ChosenItem[] = [];
  for (let n = 0; n < count; n++) {
    const shown = [...situation.presentations, ...chosen];
    const skillId = chooseSkill(situation, library, shown);
    const item = skillId ? chooseItem(situation, library, skillId, shown, random) : null;
    if (item) chosen.push(item);
  }
  return chosen;
}

function chooseSkill(
  situation: Situation,
  library: Library,
  shown: readonly { readonly skillId: string }[],
): string | null {
  if (situation.kind === "check") {
    // A check goes round its skills, so that each gets its share of the items.
    return situation.skillIds[shown.length % situation.skillIds.length] ?? null;
  }
  const open = situation.skillIds.map((id) => {
    const skill = library.skill(id);
    const chances = new Map(skill.prerequisites.map((under) => [under, chanceNow(situation, library, under)]));
    const history = historyOf(situation, library, id);
    return {
      id,
      mastery: history.mastery,
      learning: situation.states.get(id)?.learning ?? LEARNING.shareLearning,
      ready: readiness(skill.prerequisites, chances),
      unlockedWeight: skill.unlocks.length * UNLOCK_WEIGHT,
      done: endOfSkill(MASTERY_RULE, history).done,
      answersHere: history.answers.length,
      contrasts: skill.contrasts,
    };
  });
  return nextSkill(
    open,
    shown.map((p) => p.skillId),
  );
}

function chooseItem(
  situation: Situation,
  library: Library,
  skillId: string,
  shown: readonly {
    readonly modelId: string;
    readonly seed: number;
    readonly skillId: string;
    readonly context: string;
  }[],
  random: () => number,
): ChosenItem | null {
  const own = shown.filter((p) => p.skillId === skillId);
  const item: PoolItem | null = nextItem(
    library.pool(skillId),
    {
      mastery: situation.kind === "check" ? CHECK_MASTERY : chanceNow(situation, library, skillId),
      missesInRow: situation.kind === "check" ? 0 : (situation.states.get(skillId)?.missesInRow ?? 0),
      skillDifficulty: library.skill(skillId).difficulty,
      recentModelIds: own.map((p) => p.modelId),
      seen: new Set(shown.map((p) => `${p.modelId}#${p.seed}`)),
    },
    random,
  );
  if (!item) return null;
  const contexts = library.contextsOf(item.modelId, item.modelVersion);
  const fresh = contexts.filter((context) => context !== shown.at(-1)?.context);
  const context = (fresh.length > 0 ? fresh : contexts)[Math.floor(random() * (fresh.length || contexts.length))];
  return context === undefined
    ? null
    : { skillId, modelId: item.modelId, modelVersion: item.modelVersion, seed: item.seed, context };
}

/** The skills whose summaries choosing looks at: those of the work and what they build on. */
export function skillsLookedAt(skillIds: readonly string[], library: Library): string[] {
  return [...new Set(skillIds.flatMap((id) => [id, ...library.skill(id).prerequisites]))];
}
