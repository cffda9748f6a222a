import { guessAndSlip } from "@/core/mastery/guessAndSlip";
import { LEARNING } from "@/core/mastery/learningModel";
import { MASTERY_BOUNDARY } from "@/core/mastery/masteryBoundary";
import { MASTERY_RULE } from "@/core/mastery/masteryReached";
import { priorMastery } from "@/core/mastery/priorMastery";
import type { SkillState } from "@/core/mastery/skillState";
import { updateSkillState } from "@/core/mastery/updateSkillState";
import type { ItemParameters } from "@/core/measurement/item";
import { probability } from "@/core/measurement/probability";
import { median } from "@/core/numeric/median";
import { seededRandom } from "@/core/numeric/seededRandom";
import { chanceOfRight } from "@/core/selection/chanceOfRight";
import { type ItemCandidate, nextItem } from "@/core/selection/nextItem";
import { endOfSkill } from "@/core/work/endOfSkill";
import { normal } from "~/demo/learner";
import { areaUnderCurve, calibrationError, type Prediction } from "./predictions";
import { shippedDraws } from "./shippedDraws";
import { decimals, type Figure, percent } from "./table";

const STUDENTS = 2000;
const BUDGET = 20;
const DRAWS = 40;
const GRADE = 6;
/** Where the students of the continuum stand: around the skill's boundary, as wide as a grade. */
const SPREAD = 1;
const ABOVE_DIFFICULTY = 0.5;
/** Logits that a student of the continuum learns from one item worked with feedback. */
const PACE = 0.08;

const { difficulty, draws: pool } = shippedDraws(DRAWS).find(({ id }) => id === "equivalent-ratios") ?? {
  difficulty: 0,
  draws: [] as ItemCandidate[],
};
if (pool.length === 0) throw new Error("The content lacks its skill.");

/** A simulated student whose truth is known. */
interface TrueStudent {
  /** Chance of a right answer now. */
  chance(item: ItemParameters): number;
  /** What one item with feedback does. */
  learn(): void;
  hasMastered(): boolean;
}
type World = (random: () => number) => TrueStudent;

/** Ability is a continuum; mastered is who stands above the skill's boundary. Harsher than the model's own world. */
const continuum: World = (random) => {
  let ability = normal(random, difficulty + ABOVE_DIFFICULTY, SPREAD);
  return {
    chance: (item) => probability(ability, item),
    learn: () => {
      ability += PACE;
    },
    hasMastered: () => ability > difficulty + MASTERY_BOUNDARY,
  };
};

/** The model's own world: mastered or not, with its guess, slip and two kinds of learners. */
const twoStates: World = (random) => {
  let mastered = random() < priorMastery(GRADE, difficulty);
  const learning = random() < LEARNING.shareLearning;
  return {
    chance: (item) => {
      const { guess, slip } = guessAndSlip(item, difficulty);
      return mastered ? 1 - slip : guess;
    },
    learn: () => {
      mastered ||= learning && random() < LEARNING.chance;
    },
    hasMastered: () => mastered,
  };
};

interface Outcome {
  readonly declared: boolean;
  readonly mastered: boolean;
  readonly items: number;
  readonly right: number;
}
type Choose = (state: SkillState | null, given: readonly ItemCandidate[], random: () => number) => ItemCandidate;

function sit(world: World, choose: Choose, stopsEarly: boolean, seed: string) {
  const random = seededRandom(seed);
  const predictions: Prediction[] = [];
  const prior = priorMastery(GRADE, difficulty);
  const outcomes = Array.from({ length: STUDENTS }, (): Outcome => {
    const student = world(random);
    let state: SkillState | null = null;
    const given: ItemCandidate[] = [];
    const answers: boolean[] = [];
    let declared = false;
    while (given.length < BUDGET && !(declared && stopsEarly)) {
      const next = choose(state, given, random);
      const right = random() < student.chance(next.parameters);
      predictions.push({ chance: chanceOfRight(state?.mastery ?? prior, next.errors), right });
      state = updateSkillState(
        state,
        prior,
        { share: right ? 1 : 0, tryNumber: 1, hintsUsed: 0, itemId: next.itemId, item: next.parameters, day: 0 },
        difficulty,
      );
      student.learn();
      given.push(next);
      answers.push(right);
      const history = {
        answers,
        mastery: state.mastery,
        masteryAtStart: prior,
        scoredAnswers: state.scoredAnswers,
        itemIds: state.itemIds,
      };
      declared ||= endOfSkill(MASTERY_RULE, history).done;
    }
    return { declared, mastered: student.hasMastered(), items: given.length, right: answers.filter(Boolean).length };
  });
  return { outcomes, predictions };
}

const adaptive: Choose = (state, given, random) => {
  const next = nextItem(
    pool,
    {
      mastery: state?.mastery ?? priorMastery(GRADE, difficulty),
      missesInRow: state?.missesInRow ?? 0,
      recentItemIds: given.map(({ itemId }) => itemId),
      seen: new Set(given.map(({ itemId, seed }) => `${itemId}#${seed}`)),
    },
    random,
  );
  if (!next) throw new Error("The pool is empty.");
  return next;
};
const fixed: Choose = (_state, _given, random) => pool[Math.floor(random() * pool.length)] as ItemCandidate;

/** Share of the declared who have not mastered the skill. */
function falseShare(outcomes: readonly Outcome[], isDeclared: (outcome: Outcome) => boolean): number {
  const declared = outcomes.filter(isDeclared);
  return declared.filter(({ mastered }) => !mastered).length / Math.max(1, declared.length);
}

function missedShare(outcomes: readonly Outcome[], isDeclared: (outcome: Outcome) => boolean): number {
  const mastered = outcomes.filter((outcome) => outcome.mastered);
  return mastered.filter((outcome) => !isDeclared(outcome)).length / mastered.length;
}

export function provePractice(): Figure[] {
  const byRule = ({ declared }: Outcome) => declared;
  const own = sit(continuum, adaptive, true, "prove practice");
  const model = sit(twoStates, adaptive, true, "prove practice, two states");
  const set = sit(continuum, fixed, false, "prove fixed set");
  const wrongly = falseShare(own.outcomes, byRule);
  // The lowest pass mark of a fixed set that declares no more students falsely.
  const marks = Array.from({ length: BUDGET + 1 }, (_, mark) => mark);
  const mark = marks.find((least) => falseShare(set.outcomes, ({ right }) => right >= least) <= wrongly) ?? BUDGET;
  const lengths = own.outcomes.filter(byRule).map(({ items }) => items);
  return [
    { what: "False mastery, ability a continuum", value: percent(wrongly), note: "of those declared; aim 5 % or less" },
    {
      what: "False mastery, the model's own two states",
      value: percent(falseShare(model.outcomes, byRule)),
      note: "what a threshold of 0.95 promises",
    },
    {
      what: "Declared mastered",
      value: percent(lengths.length / STUDENTS),
      note: `of ${STUDENTS} students within ${BUDGET} items`,
    },
    {
      what: "Missed mastery",
      value: percent(missedShare(own.outcomes, byRule)),
      note: "of those who have the skill at the end",
    },
    {
      what: "Items to mastery, median",
      value: String(median(lengths)),
      note: `aim 10: half of a fixed set of ${BUDGET}`,
    },
    {
      what: `Fixed set, ${mark} of ${BUDGET} right: false mastery`,
      value: percent(falseShare(set.outcomes, ({ right }) => right >= mark)),
      note: "the lowest mark that is as strict",
    },
    {
      what: `Fixed set, ${mark} of ${BUDGET} right: missed mastery`,
      value: percent(missedShare(set.outcomes, ({ right }) => right >= mark)),
      note: `of those who have the skill, after ${BUDGET} items each`,
    },
    {
      what: "Answers predicted, AUC, items as chosen",
      value: decimals(areaUnderCurve(own.predictions)),
      note: "low by design: all items are about 80 % likely",
    },
    {
      what: "Answers predicted, AUC, items at random",
      value: decimals(areaUnderCurve(set.predictions)),
      note: "0.5 is chance",
    },
    {
      what: "Calibration error of predictions, continuum",
      value: percent(calibrationError(own.predictions)),
      note: "0 is perfect",
    },
    {
      what: "Calibration error of predictions, two states",
      value: percent(calibrationError(model.predictions)),
      note: "0 is perfect",
    },
  ];
}
