import { itemParameters } from "@/core/answers/itemParameters";
import type { GroupProblem } from "@/core/grouping/groupProblem";
import { groupsGreedily } from "@/core/grouping/groupsGreedily";
import { planGroups } from "@/core/grouping/planGroups";
import { endOfPractice } from "@/core/mastery/endOfPractice";
import { priorMastery } from "@/core/mastery/priorMastery";
import type { SkillState } from "@/core/mastery/skillState";
import { updateSkillState } from "@/core/mastery/updateSkillState";
import { probability } from "@/core/measurement/probability";
import { seededRandom } from "@/core/numeric/seededRandom";
import { chanceOfRight } from "@/core/selection/chanceOfRight";
import { nextItem } from "@/core/selection/nextItem";
import { solveWithHighs } from "@/server/runtime/solver";
import { ratioStrand } from "~/content/ratioStrand";
import { normal } from "~/demo/learner";

/**
 * Simulated students with known truth, fixed seeds, the shipped item models' own difficulties: what practice and grouping
 * decide against what is true. Students have a true chance for each item by the item response model; someone "has the
 * skill" whose ability lies above its boundary (0.75 logits over its difficulty).
 */
const BOUNDARY = 0.75;
const STUDENTS = 2000;
const BUDGET = 20;
const DRAWS = 40;
/** Logits learned from one item worked with feedback, for those who are learning. */
const PACE = 0.08;

const skill = ratioStrand.find(({ id }) => id === "equivalent-ratios");
if (!skill) throw new Error("The strand lacks its skill.");
const pool = skill.models.flatMap((model) =>
  Array.from({ length: DRAWS }, (_, seed) => ({
    modelId: model.id,
    seed,
    item: itemParameters(model, seed, skill.difficulty),
  })),
);

interface Predicted {
  readonly chance: number;
  readonly right: boolean;
}

const predictions: Predicted[] = [];
const lengths: number[] = [];
let declared = 0;
let declaredFalsely = 0;
let had = 0;
let missed = 0;
const random = seededRandom("prove practice");
for (let n = 0; n < STUDENTS; n++) {
  let ability = normal(random, skill.difficulty + 0.5, 1);
  const atStart = priorMastery(6, skill.difficulty);
  let state: SkillState | null = null;
  const seen = new Set<string>();
  const models: string[] = [];
  let mastered = false;
  let items = 0;
  while (items < BUDGET && !mastered) {
    const mastery: number = state?.mastery ?? atStart;
    const situation = {
      mastery,
      missesInRow: state?.missesInRow ?? 0,
      skillDifficulty: skill.difficulty,
      recentModelIds: models,
      seen,
    };
    const next = nextItem(pool, situation, random);
    if (!next) break;
    const right: boolean = random() < probability(ability, next.item);
    predictions.push({ chance: chanceOfRight(mastery, next.item, skill.difficulty), right });
    const answer = { right, tryNumber: 1, hintsUsed: 0, modelId: next.modelId, item: next.item, day: 0 };
    state = updateSkillState(state, atStart, answer, skill.difficulty);
    ability += PACE;
    items++;
    seen.add(`${next.modelId}#${next.seed}`);
    models.push(next.modelId);
    const end = endOfPractice(
      [
        {
          mastery: state.mastery,
          masteryAtStart: atStart,
          scoredAnswers: state.scoredAnswers,
          modelIds: state.modelIds,
          answersHere: items,
        },
      ],
      items,
      BUDGET,
    );
    mastered = end.reason === "mastered";
  }
  const truly = ability > skill.difficulty + BOUNDARY;
  if (mastered) {
    declared++;
    lengths.push(items);
    if (!truly) declaredFalsely++;
  }
  if (truly) {
    had++;
    if (!mastered) missed++;
  }
}

/** Chance that a right answer was predicted higher than a wrong one (Hanley and McNeil 1982), by ranks. */
function areaUnderCurve(rows: readonly Predicted[]): number {
  const sorted = [...rows].sort((x, y) => x.chance - y.chance);
  let rankSum = 0;
  for (let from = 0; from < sorted.length; ) {
    let to = from;
    while (to < sorted.length && sorted[to]?.chance === sorted[from]?.chance) to++;
    const rank = (from + 1 + to) / 2;
    for (let at = from; at < to; at++) if (sorted[at]?.right) rankSum += rank;
    from = to;
  }
  const rights = rows.filter(({ right }) => right).length;
  return (rankSum - (rights * (rights + 1)) / 2) / (rights * (rows.length - rights));
}

/** Mean distance between predicted and observed shares in ten equal bins, weighted by their size. */
function calibrationError(rows: readonly Predicted[]): number {
  let error = 0;
  for (let bin = 0; bin < 10; bin++) {
    const own = rows.filter(({ chance }) => Math.min(9, Math.floor(chance * 10)) === bin);
    if (own.length === 0) continue;
    const predicted = own.reduce((sum, { chance }) => sum + chance, 0) / own.length;
    const observed = own.filter(({ right }) => right).length / own.length;
    error += (own.length / rows.length) * Math.abs(predicted - observed);
  }
  return error;
}

const median = (values: readonly number[]) =>
  [...values].sort((x, y) => x - y)[Math.floor(values.length / 2)] ?? Number.NaN;

async function proveGrouping(classes: number) {
  let greedyGap = 0;
  let againstOverall = 0;
  let optimal = 0;
  const seconds: number[] = [];
  for (let n = 0; n < classes; n++) {
    const draw = seededRandom(`prove groups ${n}`);
    const studentIds = Array.from({ length: 28 }, (_, s) => `s${s}`);
    const skillIds = Array.from({ length: 12 }, (_, k) => `k${k}`);
    const level = studentIds.map(() => normal(draw, 0, 1));
    const need = level.map((ability) =>
      skillIds.map((_, k) =>
        Math.max(0, 1 / (1 + Math.exp(1.4 * (ability - k * 0.25 + 1 + normal(draw, 0, 0.8)))) - 0.25),
      ),
    );
    const problem: GroupProblem = { studentIds, skillIds, need, smallest: 3, largest: 6, slots: 4 };
    const started = performance.now();
    const exact = await planGroups(problem, solveWithHighs, 5);
    seconds.push((performance.now() - started) / 1000);
    if (exact.quality === "optimal") optimal++;
    greedyGap += 1 - groupsGreedily(problem).needServed / exact.needServed;
    againstOverall += exact.needServed / needByOverallScore(problem, level);
  }
  return {
    greedyGap: greedyGap / classes,
    againstOverall: againstOverall / classes,
    optimal,
    medianSeconds: median(seconds),
  };
}

/** What sorting by overall score serves: the 24 lowest in fours of six, each with the skill that serves them most. */
function needByOverallScore(
  { studentIds, skillIds, need, largest, slots }: GroupProblem,
  level: readonly number[],
): number {
  const lowest = studentIds.map((_, place) => place).sort((x, y) => (level[x] ?? 0) - (level[y] ?? 0));
  let served = 0;
  for (let group = 0; group < slots; group++) {
    const members = lowest.slice(group * largest, (group + 1) * largest);
    served += Math.max(...skillIds.map((_, k) => members.reduce((sum, student) => sum + (need[student]?.[k] ?? 0), 0)));
  }
  return served;
}

const CLASSES = 40;
const grouping = await proveGrouping(CLASSES);
const percent = (share: number) => `${(share * 100).toFixed(1)} %`;
const rows: readonly (readonly [string, string, string])[] = [
  ["Practice: right answers predicted, AUC", areaUnderCurve(predictions).toFixed(3), "0.5 is chance"],
  ["Practice: calibration error of predictions", percent(calibrationError(predictions)), "0 is perfect"],
  ["Practice: declared mastered", percent(declared / STUDENTS), `of ${STUDENTS} students within ${BUDGET} items`],
  ["Practice: items to mastery, median", String(median(lengths)), "a fixed set has 20"],
  ["Practice: false mastery", percent(declaredFalsely / declared), "of those declared; aim 5 % or less"],
  ["Practice: missed mastery", percent(missed / had), "of those who have the skill at the end"],
  ["Grouping: proven best", `${grouping.optimal} of ${CLASSES}`, "classes of 28 students, 12 skills, 4 groups"],
  ["Grouping: seconds, median", grouping.medianSeconds.toFixed(2), "aim 2 s or less"],
  ["Grouping: need lost by the greedy answer", percent(grouping.greedyGap), "mean"],
  [
    "Grouping: need served against overall score",
    `${grouping.againstOverall.toFixed(2)} times`,
    "sorting by one score is 1",
  ],
];
for (const [what, value, note] of rows) console.log(`${what.padEnd(46)} ${value.padStart(12)}   ${note}`);
