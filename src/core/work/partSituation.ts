import { beliefOn } from "../mastery/beliefOn";
import { chanceOfMastery } from "../mastery/chanceOfMastery";
import { masteryToday } from "../mastery/masteryToday";
import type { SkillBelief } from "../mastery/skillBelief";
import type { SkillState } from "../mastery/skillState";
import { type Placements, startingBelief } from "../mastery/startingBelief";
import type { ItemParameters } from "../measurement/item";
import type { PartSettings, SittingState } from "../model/work";
import type { ItemCandidate } from "../selection/nextItem";
import type { SittingItem } from "./sittingItem";

/** An item that could be drawn for a skill, with the stories it can be told in. */
export interface PoolItem extends ItemCandidate {
  readonly versionId: string;
  readonly contexts: readonly string[];
  /** The passage it hangs on, if any. */
  readonly passageId?: string | undefined;
}

/** What choosing needs to know of a skill. */
export interface SkillOfWork {
  readonly strandId: string;
  readonly grade: number;
  /** On the vertical scale, in logits. */
  readonly difficulty: number;
  readonly prerequisites: readonly string[];
  readonly contrasts: readonly string[];
  /** How many skills build directly on it. */
  readonly unlocks: number;
  /** Empty for skills that are only looked at. */
  readonly pool: readonly PoolItem[];
}

/** An item that somebody picked by hand: the same for everybody. */
export interface PickedItem {
  readonly skillId: string;
  readonly itemId: string;
  readonly versionId: string;
  readonly seed: number;
  readonly context: string;
  /** What it weighs in the mark; 1 unless stated. */
  readonly points?: number;
}

/** All that the next step of a student's run at a part of a piece of work is decided from. */
export interface PartSituation {
  readonly settings: PartSettings;
  readonly skillIds: readonly string[];
  /** Of the part's skills and of what they build on. */
  readonly skills: ReadonlyMap<string, SkillOfWork>;
  /** Items picked by hand, in order; empty when they are drawn. */
  readonly picked: readonly PickedItem[];
  readonly states: ReadonlyMap<string, SkillState>;
  readonly state: SittingState;
  /** Null where nobody knows it. */
  readonly grade: number | null;
  readonly day: number;
  /** What the student chose; stories follow it. */
  readonly interests: readonly string[];
  /** In the order of showing. */
  readonly items: readonly SittingItem[];
  /** Items granted to this student beyond the settings. */
  readonly extraItems: number;
  /** Share of the items that this student is given, by their supports; 1 is all of them. */
  readonly itemShare: number;
  /** Minutes granted to this student beyond the settings, and the share of the usual time that they need (1 is the usual time). */
  readonly extraMinutes: number;
  readonly timeFactor: number;
  /** Of all tries so far. */
  readonly activeMilliseconds: number;
  /** Where diagnostics placed the student, by strand. */
  readonly placements: Placements;
  /** Days since the student last met a draw, by "item#seed"; only where what was met of late must not come back. */
  readonly metDaysAgo: ReadonlyMap<string, number>;
  /** The parameters of one of the run's items. Throws for an item that is not in the library. */
  readonly parametersOf: (item: Pick<SittingItem, "skillId" | "versionId" | "seed">) => ItemParameters;
}

/** Today's chance of mastery of a skill of the situation. Throws for a skill that is not in it. */
export function chanceNow(situation: PartSituation, skillId: string): number {
  const state = situation.states.get(skillId);
  return state ? masteryToday(state, situation.day) : chanceOfMastery(startOf(situation, skillId));
}

/** What is believed today of the student in a skill of the situation. Throws for a skill that is not in it. */
export function beliefNow(situation: PartSituation, skillId: string): SkillBelief {
  const state = situation.states.get(skillId);
  return state ? beliefOn(state, situation.day) : startOf(situation, skillId);
}

function startOf({ skills, grade, placements }: PartSituation, skillId: string): SkillBelief {
  const skill = skills.get(skillId);
  if (!skill) throw new RangeError(`The situation does not hold the skill ${skillId}.`);
  return startingBelief({ grade, placements }, skill);
}

/**
 * The most items that the student is given.
 * @example mostItems({ settings: { items: 10 }, itemShare: 0.75, extraItems: 2 }) // 10
 */
export const mostItems = ({
  settings,
  extraItems,
  itemShare,
}: Pick<PartSituation, "settings" | "extraItems" | "itemShare">): number =>
  Math.ceil(settings.items * itemShare) + extraItems;

/**
 * The minutes that the student has, with the time that they need beyond others; null without a limit.
 * @example mostMinutes({ settings: { minutes: 20 }, timeFactor: 1.5, extraMinutes: 5 }) // 35
 */
export const mostMinutes = ({
  settings: { minutes },
  timeFactor,
  extraMinutes,
}: Pick<PartSituation, "settings" | "timeFactor" | "extraMinutes">): number | null =>
  minutes === undefined ? null : minutes * timeFactor + extraMinutes;
