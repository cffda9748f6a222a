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
      return {
        personId,
        skillId,
        day,
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
  const prior = clamp(
    mean(
      (first.grade === null ? [1, 2, 3, 4, 5, 6, 7, 8] : [first.grade]).map((grade) =>
        clamp(normalBelow((grade - 6 - 0.5) * 0.5 - first.skillDifficulty - 0.75), 0.02, 0.98),
      ),
    ),
    0.05,
    0.7,
  );
  let [p, learning] = [prior, 0.5];
  let kept: { stability: number; difficulty: number } | null = null;
  let lastDay = first.day;
  let masteredDay: number | null = null;
  let snagDay: number | null = null;
  let snagClearedDay: number | null = null;
  rows.forEach((row, place) => {
    const day = Math.max(row.day, lastDay);
    const firsts = rows.slice(0, place + 1).filter(({ tryNumber }) => tryNumber === 1);
    const isFirst = row.tryNumber === 1;
    // Forgetting since the last answer.
    if (kept && p > prior) p = prior + (p - prior) * memory.forgetting_curve(day - lastDay, kept.stability);
    // Bayes' rule with guess and slip of this item, to the power of what the answer is worth.
    const at = (theta: number) => row.c + (1 - row.c) / (1 + Math.exp(-row.a * (theta - row.b)));
    const guess = clamp(at(row.skillDifficulty - 0.2), 0.05, 0.6);
    const slip = clamp(1 - at(row.skillDifficulty + 1.7), 0.05, 0.35);
    const worth = !isFirst ? 0.25 : row.hintsUsed > 0 ? 0.5 : 1;
    const share = row.earned / row.possible;
    const has = p * ((1 - slip) ** share * slip ** (1 - share)) ** worth;
    const hasNot = (1 - p) * (guess ** share * (1 - guess) ** (1 - share)) ** worth;
    p = has / (has + hasNot);
    if (isFirst) {
      const now = learning * 0.16;
      p += (1 - p) * now;
      learning = (learning * (1 - 0.16)) / (1 - now);
    }
    p = clamp(p, 0.03, 0.99);
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
    if (masteredDay === null && p >= 0.95 && firsts.length >= 4 && models >= 2) masteredDay = day;
    const within = p + (1 - p) * learning * (1 - (1 - 0.16) ** 10);
    const openSnag = snagDay !== null && snagClearedDay === null;
    if (openSnag && p >= 0.8) snagClearedDay = day;
    else if (!openSnag && firsts.length >= 5 && within < 0.25) {
      snagDay = day;
      snagClearedDay = null;
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
    scoredAnswers: firsts.length,
    evidence: rows.length,
    rightFirstTries: firsts.filter(isRight).length,
    itemIds: [...new Set(firsts.map(({ itemId }) => itemId))].sort(),
    firstDay: first.day,
    lastDay,
    stabilityDays: (kept as { stability: number } | null)?.stability ?? Number.NaN,
    memoryDifficulty: (kept as { difficulty: number } | null)?.difficulty ?? Number.NaN,
    masteredDay,
    missesInRow: firsts.length - 1 - lastRight,
    snagDay,
    snagClearedDay,
  };
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
