import { beliefOn } from "@/core/mastery/beliefOn";
import { MASTERY_RULE } from "@/core/mastery/masteryReached";
import { priorBelief } from "@/core/mastery/priorBelief";
import type { SkillState } from "@/core/mastery/skillState";
import { updateSkillState } from "@/core/mastery/updateSkillState";
import { rational } from "@/core/numeric/rational";
import { seededRandom } from "@/core/numeric/seededRandom";
import { chanceOfRight } from "@/core/selection/chanceOfRight";
import { nextItem } from "@/core/selection/nextItem";
import { endOfSkill } from "@/core/work/endOfSkill";
import type { EndRule } from "@/core/work/endRule";
import type { Prediction } from "./predictions";
import { shippedDraws } from "./shippedDraws";
import type { World, WorldAnswer } from "./worlds/world";

const DRAWS = 40;
const ITEMS_A_DAY = 20;
const DAYS_BETWEEN = 3;
/** Students who share a class, and with it what is wrong with its items. */
const CLASS = 25;

/** How one student's practice of a skill went. */
export interface Practised {
  /** Logits above the boundary at the start, and when practice ended. */
  readonly start: number;
  readonly end: number;
  /** Answers until the skill was declared mastered; null when it was not. */
  readonly declaredAfter: number | null;
  /** Logits above the boundary when it was declared. */
  readonly declaredAt: number | null;
}

export interface PractisedWorld {
  readonly students: readonly Practised[];
  /** Before each answer: as the application, a running share of the own answers, and the truth predict it. */
  readonly predictions: { readonly own: Prediction[]; readonly share: Prediction[]; readonly oracle: Prediction[] };
}

export interface PractiseSetting {
  readonly skillId: string;
  readonly students: number;
  /** Practice goes on up to so many answers, 20 a day. */
  readonly answers: number;
  readonly rule?: Extract<EndRule, { kind: "confidence" }>;
  readonly seed: string;
}

const skills = new Map(shippedDraws(DRAWS).map((skill) => [skill.id, skill]));

/** The skills that can be practised, with their grades. */
export const shippedSkills = () => [...skills.values()].map(({ id, grade }) => ({ id, grade }));

/** Students of a world practise a shipped skill, items chosen and evidence taken in as the application does it. */
export function practiseIn(
  world: World,
  { skillId, students, answers, rule = MASTERY_RULE, seed }: PractiseSetting,
): PractisedWorld {
  const skill = skills.get(skillId);
  if (!skill) throw new Error(`The content lacks ${skillId}.`);
  const { difficulty, draws, grade } = skill;
  const random = seededRandom(`${seed} ${world.name}`);
  const prior = priorBelief(grade, difficulty);
  const predictions = { own: [] as Prediction[], share: [] as Prediction[], oracle: [] as Prediction[] };
  let nextStudent = world.open(random, difficulty);
  const practised = Array.from({ length: students }, (_, place): Practised => {
    if (place % CLASS === 0) nextStudent = world.open(random, difficulty);
    const student = nextStudent();
    const start = student.distance();
    let state: SkillState | null = null;
    const given: { itemId: string; seed: number }[] = [];
    const rights: boolean[] = [];
    let declaredAfter: number | null = null;
    while (given.length < answers && declaredAfter === null) {
      if (given.length > 0 && given.length % ITEMS_A_DAY === 0) student.rest(DAYS_BETWEEN);
      const day = Math.floor(given.length / ITEMS_A_DAY) * DAYS_BETWEEN;
      const belief: { mean: number; spread: number } = state ? beliefOn(state, day) : prior;
      const next = nextItem(
        draws,
        {
          belief,
          skillDifficulty: difficulty,
          missesInRow: state?.missesInRow ?? 0,
          recentItemIds: given.map(({ itemId }) => itemId),
          seen: new Set(given.map((one) => `${one.itemId}#${one.seed}`)),
        },
        random,
      );
      if (!next) throw new Error("The pool is empty.");
      const { right, hintsUsed, chance }: WorldAnswer = student.answer(next);
      predictions.own.push({ chance: chanceOfRight(belief, next.parameters, difficulty), right });
      predictions.share.push({ chance: (rights.filter(Boolean).length + 1) / (rights.length + 2), right });
      predictions.oracle.push({ chance, right });
      state = updateSkillState(
        state,
        prior,
        { share: right ? 1 : 0, tryNumber: 1, hintsUsed, itemId: next.itemId, item: next.parameters, day },
        difficulty,
      );
      given.push(next);
      rights.push(right);
      const { mastery, scoredAnswers, unaidedAnswers, itemIds } = state;
      const history = {
        answers: rights.map((one) => rational(one ? 1 : 0)),
        mastery,
        masteryAtStart: 0,
        scoredAnswers,
        unaidedAnswers,
        itemIds,
      };
      if (endOfSkill(rule, history).done) declaredAfter = given.length;
    }
    const end = student.distance();
    return { start, end, declaredAfter, declaredAt: declaredAfter === null ? null : end };
  });
  return { students: practised, predictions };
}

/** Of those who had not the skill at the start, the share who were declared while they had it not. */
export function falseRate(students: readonly Practised[]): { readonly rate: number; readonly of: number } {
  const without = students.filter(({ start }) => start < 0);
  const wrongly = without.filter(({ declaredAt }) => declaredAt !== null && declaredAt < 0);
  return { rate: wrongly.length / Math.max(1, without.length), of: without.length };
}

/** Of those declared, the share who had it not. */
export function wrongOfDeclared(students: readonly Practised[]): number {
  const declared = students.flatMap(({ declaredAt }) => (declaredAt === null ? [] : [declaredAt]));
  return declared.filter((at) => at < 0).length / Math.max(1, declared.length);
}

/** Of those who had the skill when practice ended, the share who were not declared; `from`: at least so far above the boundary. */
export function missRate(students: readonly Practised[], from = 0): { readonly rate: number; readonly of: number } {
  const withIt = students.filter(({ end }) => end >= from);
  return {
    rate: withIt.filter(({ declaredAfter }) => declaredAfter === null).length / Math.max(1, withIt.length),
    of: withIt.length,
  };
}
