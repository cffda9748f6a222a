import { default_w, FSRSAlgorithm, generatorParameters } from "ts-fsrs";
import type { EvidenceRow } from "@/db/queries/answerLog";
import type { SkillStateRow } from "@/db/queries/summaries";

/**
 * The summaries of scores in force, worked out a second time from the rules in docs/measurement.md: whole lists instead of running
 * states, and nothing of the application's own computation. What the two agree on, neither got from the other.
 */
export function naiveSummaries(log: readonly EvidenceRow[]) {
  const byCell = grouped(log, ({ personId, skillId }) => `${personId}|${skillId}`);
  return {
    states: [...byCell.values()].map(stateOf),
    days: [...grouped(log, ({ personId, skillId, day }) => `${personId}|${skillId}|${day}`).values()].map((own) => {
      const firsts = own.filter(({ tryNumber }) => tryNumber === 1);
      const [{ personId, skillId, day }] = own as [EvidenceRow];
      const cell = byCell.get(`${personId}|${skillId}`) ?? [];
      // As it stood after the day's last answer, whatever came in before.
      const until = stateOf(cell.slice(0, cell.lastIndexOf(own.at(-1) as EvidenceRow) + 1));
      return {
        personId,
        skillId,
        day,
        mastery: until.mastery,
        stabilityDays: until.stabilityDays,
        mean: until.mean,
        spread: until.spread,
        answeredUntil: until.scoredAnswers,
        rightUntil: until.rightFirstTries,
        answered: firsts.length,
        right: firsts.filter(isRight).length,
        milliseconds: own.reduce((sum, row) => sum + (keepsTime(row, log) ? row.milliseconds : 0), 0),
      };
    }),
    signs: [
      ...grouped(
        log.filter(({ misconceptionId }) => misconceptionId !== null),
        ({ personId, skillId, misconceptionId }) => `${personId}|${skillId}|${misconceptionId}`,
      ).values(),
    ].map((own) => {
      const [{ personId, skillId, misconceptionId }] = own as [EvidenceRow];
      return { personId, skillId, misconceptionId, times: own.length, lastDay: Math.max(...own.map(({ day }) => day)) };
    }),
  };
}

/** Signs by day, counted a second time. */
export function naiveSignDays(log: readonly EvidenceRow[]) {
  const shown = log.filter(({ misconceptionId }) => misconceptionId !== null);
  const keyOf = ({ personId, skillId, misconceptionId, day }: EvidenceRow) =>
    `${personId}|${skillId}|${misconceptionId}|${day}`;
  return [...grouped(shown, keyOf).values()].map((own) => {
    const [{ personId, skillId, misconceptionId, day }] = own as [EvidenceRow];
    return { personId, skillId, misconceptionId, day, times: own.length };
  });
}

/** Real numbers, which agree but for rounding. */
export const REAL_COLUMNS = [
  "mastery",
  "learning",
  "prior",
  "mean",
  "spread",
  "rightIfMastered",
  "rightIfNot",
  "stabilityDays",
  "memoryDifficulty",
] as const;

/** What must agree to the last digit. */
export const exactPart = (row: object): object =>
  Object.fromEntries(Object.entries(row).filter(([column]) => !(REAL_COLUMNS as readonly string[]).includes(column)));

const isRight = ({ earned, possible }: EvidenceRow) => earned === possible;

/** Of the scores of one answer, the time goes with the one that comes first by part, then by skill. */
function keepsTime(row: EvidenceRow, log: readonly EvidenceRow[]): boolean {
  const words = ({ part, skillId }: EvidenceRow) => `${part} ${skillId}`;
  const own = answersOf(log).get(row.answerSerial) ?? [];
  return own.every((other) => words(row) <= words(other));
}

const byAnswer = new WeakMap<object, Map<number, EvidenceRow[]>>();
function answersOf(log: readonly EvidenceRow[]): Map<number, EvidenceRow[]> {
  const known = byAnswer.get(log);
  if (known) return known;
  const fresh = new Map<number, EvidenceRow[]>();
  for (const row of log) fresh.set(row.answerSerial, [...(fresh.get(row.answerSerial) ?? []), row]);
  byAnswer.set(log, fresh);
  return fresh;
}

function grouped(log: readonly EvidenceRow[], keyOf: (row: EvidenceRow) => string): Map<string, EvidenceRow[]> {
  const groups = new Map<string, EvidenceRow[]>();
  for (const row of log) groups.set(keyOf(row), [...(groups.get(keyOf(row)) ?? []), row]);
  return new Map([...groups].sort(([x], [y]) => (x < y ? -1 : 1)));
}

const memory = new FSRSAlgorithm(generatorParameters({ w: FIRST(), enable_short_term: false, enable_fuzz: false }));
/** The weights of the package with the first stabilities of section 4: 3, 10, 20 and 40 days. */
function FIRST(): number[] {
  return [3, 10, 20, 40, ...default_w.slice(4)];
}

function stateOf(rows: readonly EvidenceRow[]): SkillStateRow {
  const [first] = rows as [EvidenceRow];
  // Ability in the skill before any answer: where a diagnostic placed the student, or the grade's middle, spread by 1 within a
  // grade; and by 0.65 between skills.
  const grades = first.grade === null ? [1, 2, 3, 4, 5, 6, 7, 8] : [first.grade];
  const middles = grades.map((grade) => (grade - 6 - 0.5) * 0.5 - first.skillDifficulty - 0.75);
  const middle = mean(middles);
  const start = Math.sqrt(1 + 0.65 ** 2 + mean(middles.map((one) => (one - middle) ** 2)));
  const { startTheta, startSe } = first;
  let ability =
    startTheta === null || startSe === null
      ? { mean: clamp(middle, -1.6449 * start, 0.5244 * start), spread: start }
      : { mean: startTheta - first.skillDifficulty - 0.75, spread: Math.sqrt(startSe ** 2 + 0.65 ** 2) };
  const prior = clamp(normalBelow(ability.mean / ability.spread), 0.005, 0.995);
  let [p, learning] = [prior, 0.5];
  let kept: { stability: number; difficulty: number } | null = null;
  let lastDay = first.day;
  let masteredDay: number | null = null;
  let lostDay: number | null = null;
  let snagDay: number | null = null;
  let snagClearedDay: number | null = null;
  let snagTimes = 0;
  rows.forEach((row, place) => {
    const day = Math.max(row.day, lastDay);
    const firsts = rows.slice(0, place + 1).filter(({ tryNumber }) => tryNumber === 1);
    const isFirst = row.tryNumber === 1;
    // Forgetting since the last answer.
    if (kept) {
      const recall = memory.forgetting_curve(day - lastDay, kept.stability);
      if (recall < 1) {
        const today = p > prior ? prior + (p - prior) * recall : p;
        const spread = Math.sqrt(recall * ability.spread ** 2 + (1 - recall) * 1.2 ** 2);
        ability = { mean: spread * normalQuantile(today), spread };
      }
    }
    ability = isFirst && place > 0 ? afterOpportunity(ability, row) : withAnswer(ability, row, isFirst);
    if (isFirst) learning = (learning * (1 - 0.16)) / (1 - learning * 0.16);
    p = clamp(normalBelow(ability.mean / ability.spread), 0.005, 0.995);
    if (isFirst) {
      const grade = !isRight(row) ? 1 : row.hintsUsed > 0 ? 2 : 3;
      const onFirstDay = day <= first.day;
      const laterOnTheDay = rows.slice(0, place).some((one) => Math.max(one.day, first.day) === day);
      if (onFirstDay) kept = memory.next_state(null, 0, grade);
      else if (!laterOnTheDay && kept) kept = memory.next_state(kept, day - lastDay, grade);
    }
    kept ??= memory.next_state(null, 0, 1);
    lastDay = day;
    const models = new Set(firsts.map(({ itemId }) => itemId)).size;
    const along = clamp((firsts.length - 6) / 29, 0, 1);
    const unaided = firsts.filter(({ hintsUsed }) => hintsUsed === 0).length;
    if (p >= 1 - 0.08 * (1 - 0.8 * along) && unaided >= 4 && models >= 2) {
      masteredDay ??= day;
      lostDay = null;
    } else if (masteredDay !== null && lostDay === null && p < 0.8) lostDay = day;
    const within = p + (1 - p) * learning * (1 - (1 - 0.16) ** 10);
    const openSnag = snagDay !== null && snagClearedDay === null;
    if (openSnag && p >= 0.8) snagClearedDay = day;
    else if (!openSnag && firsts.length >= 5 && within < 0.25) {
      snagDay = day;
      snagClearedDay = null;
      snagTimes++;
    }
  });
  const firsts = rows.filter(({ tryNumber }) => tryNumber === 1);
  const lastRight = firsts.map(isRight).lastIndexOf(true);
  return {
    personId: first.personId,
    skillId: first.skillId,
    mastery: p,
    learning,
    prior,
    mean: ability.mean,
    spread: ability.spread,
    scoredAnswers: firsts.length,
    unaidedAnswers: firsts.filter(({ hintsUsed }) => hintsUsed === 0).length,
    evidence: rows.length,
    rightFirstTries: firsts.filter(isRight).length,
    rightIfMastered: firsts.reduce((sum, row) => sum + clamp(rightAt(row, 1.7), 0.65, 0.95), 0),
    rightIfNot: firsts.reduce((sum, row) => sum + clamp(rightAt(row, -0.2), 0.05, 0.6), 0),
    itemIds: [...new Set(firsts.map(({ itemId }) => itemId))].sort(),
    firstDay: first.day,
    lastDay,
    stabilityDays: (kept as { stability: number } | null)?.stability ?? Number.NaN,
    memoryDifficulty: (kept as { difficulty: number } | null)?.difficulty ?? Number.NaN,
    masteredDay,
    lostDay,
    missesInRow: firsts.length - 1 - lastRight,
    snagDay,
    snagClearedDay,
    snagTimes,
  };
}

interface Ability {
  readonly mean: number;
  readonly spread: number;
}

/** Ability drifted by 0.1 logits, or in one of twenty turned by as much as 1 besides: both are worked out and mixed by how likely each made the answer. */
function afterOpportunity({ mean: middle, spread }: Ability, row: EvidenceRow): Ability {
  const models = [
    { prior: 0.95, ...withAnswer({ mean: middle, spread: Math.sqrt(spread ** 2 + 0.1 ** 2) }, row, true) },
    { prior: 0.05, ...withAnswer({ mean: middle, spread: Math.sqrt(spread ** 2 + 0.1 ** 2 + 1) }, row, true) },
  ];
  const weights = models.map((model) => model.prior * model.likely);
  const total = weights.reduce((sum, weight) => sum + weight, 0);
  const moment = (of: (model: Ability) => number) =>
    models.reduce((sum, model, place) => sum + ((weights[place] ?? 0) / total) * of(model), 0);
  const centre = moment((model) => model.mean);
  return { mean: centre, spread: Math.sqrt(moment((model) => model.spread ** 2 + model.mean ** 2) - centre ** 2) };
}

/** Bayes' rule in 8,000 strips from six deviations below to six above, then a normal distribution of the same mean and variance. */
function withAnswer(
  { mean: middle, spread }: Ability,
  row: EvidenceRow,
  isFirst: boolean,
): Ability & { likely: number } {
  const [strips, from, to] = [8000, middle - 6 * spread, middle + 6 * spread];
  const share = row.earned / row.possible;
  const b = row.b - (row.hintsUsed > 0 ? 1.5 : 0);
  const sums = [0, 0, 0];
  let plain = 0;
  for (let n = 0; n <= strips; n++) {
    const x = from + ((to - from) * n) / strips;
    const theta = x + row.skillDifficulty + 0.75;
    const right = 0.02 + 0.96 * (row.c + (1 - row.c) / (1 + Math.exp(-row.a * (theta - b))));
    const likelihood = Math.exp((isFirst ? 1 : 0.25) * (share * Math.log(right) + (1 - share) * Math.log(1 - right)));
    const density = Math.exp(-((x - middle) ** 2) / (2 * spread ** 2));
    plain += density;
    const mass = density * likelihood;
    for (const power of [0, 1, 2]) sums[power] = (sums[power] ?? 0) + mass * x ** power;
  }
  const [total = 0, first = 0, second = 0] = sums;
  return {
    mean: first / total,
    spread: Math.sqrt(second / total - (first / total) ** 2),
    likely: total / plain,
  };
}

/** Chance of a right answer so far above the skill's difficulty. */
function rightAt({ a, b, c, skillDifficulty, hintsUsed }: EvidenceRow, above: number): number {
  return c + (1 - c) / (1 + Math.exp(-a * (skillDifficulty + above - b + (hintsUsed > 0 ? 1.5 : 0))));
}

/** By halving. */
function normalQuantile(chance: number): number {
  let [low, high] = [-9, 9];
  for (let n = 0; n < 60; n++) {
    const middle = (low + high) / 2;
    if (normalBelow(middle) < chance) low = middle;
    else high = middle;
  }
  return (low + high) / 2;
}

const mean = (values: readonly number[]) => values.reduce((sum, value) => sum + value, 0) / values.length;
const clamp = (value: number, low: number, high: number) => Math.min(high, Math.max(low, value));

/** Area under the standard normal curve below a value, summed in strips of a thousandth (Simpson's rule). */
function normalBelow(value: number): number {
  const strips = 20_000;
  const from = -10;
  const width = (value - from) / strips;
  const height = (x: number) => Math.exp((-x * x) / 2) / Math.sqrt(2 * Math.PI);
  let sum = height(from) + height(value);
  for (let n = 1; n < strips; n++) sum += height(from + n * width) * (n % 2 === 1 ? 4 : 2);
  return (sum * width) / 3;
}
