import { demandThat } from "../model/fail";
import { ITEM_USE_AT } from "../model/itemUse";
import { type NoEstimate, noEstimate } from "../model/noEstimate";
import type { Score } from "../model/score";
import { correlation } from "../numeric/correlation";
import { mean } from "../numeric/mean";
import { median } from "../numeric/median";
import { sampleVariance } from "../numeric/sampleVariance";
import { cronbachAlpha, type NoAlpha } from "./cronbachAlpha";
import { type OptionStatistic, optionStatistics } from "./optionStatistics";
import { rapidLimit } from "./rapidLimit";
import { upperLowerIndex } from "./upperLowerIndex";
import { type ShareInterval, wilson } from "./wilson";

export type ItemFlag =
  | "too-hard"
  | "too-easy"
  | "weak-discrimination"
  | "key-suspect"
  | "draws-the-strong"
  | "too-fast";

export interface ItemStatistic {
  /** Share right among those given the item, with its 95 % interval. */
  readonly difficulty: number | null;
  readonly interval: ShareInterval;
  /** Correlation with the share right of the other items. */
  readonly itemRest: number | null;
  readonly upperLower: number | null;
  readonly alphaIfDropped: number | null;
  readonly options: readonly OptionStatistic[];
  readonly flags: readonly ItemFlag[];
  readonly n: number;
}

export interface ItemAnalysis {
  readonly items: readonly ItemStatistic[];
  readonly alpha: number | null;
  /** Students behind alpha and its error, the mean and the spread: those who were given every item. */
  readonly complete: number;
  /** Why alpha is missing. */
  readonly noAlpha: NoAlpha["noEstimate"] | null;
  /** Standard error of measurement in points: sd * sqrt(1 - alpha). */
  readonly sem: number | null;
  /** Mean and standard deviation (n - 1) of the number right among the students who were given every item. */
  readonly mean: number | null;
  readonly sd: number | null;
  readonly n: number;
  /** Fewer than 30 students: shown, but said to be little. */
  readonly few: boolean;
}

export interface ItemAnalysisExtras {
  /** Options taken, one row a student, and the key of each item. */
  readonly options?: {
    readonly chosen: readonly (readonly (string | null)[])[];
    readonly keys: readonly string[];
  };
  /** Seconds of each answer, one row a student; null where unknown. */
  readonly seconds?: readonly (readonly (number | null)[])[];
}

const FLAG_AT = {
  tooHard: ITEM_USE_AT.hardBelow,
  tooEasy: ITEM_USE_AT.easyAbove,
  itemRest: 0.15,
  rapidShare: 0.1,
} as const;
const FEW_STUDENTS = 30;
const LEVEL = 0.95;

/**
 * Classical item analysis of right-wrong scores, one row a student, one column an item, null = not given (left out of that
 * item; totals and alpha use the students given every item). Correlations are corrected: an item is never part of what it
 * is compared with. Figures the data cannot carry are null. "no-students" or "no-items" when there is nothing to analyse.
 * Throws "bad-argument" for ragged rows. Sources: Crocker & Algina 1986, chapters 5 and 14; Kelley 1939.
 */
export function itemAnalysis(
  scores: readonly (readonly Score[])[],
  { options, seconds }: ItemAnalysisExtras = {},
): ItemAnalysis | NoEstimate<"no-students" | "no-items"> {
  const width = scores[0]?.length ?? 0;
  demandThat(
    scores.every((row) => row.length === width && row.every((score) => score === 0 || score === 1 || score === null)),
    "Every row needs one score of 1, 0 or null for each item.",
  );
  if (scores.length === 0) return noEstimate("no-students");
  if (width === 0) return noEstimate("no-items");
  const complete = scores.filter((row): row is (0 | 1)[] => row.every((score) => score !== null));
  const totals = complete.map((row) => row.reduce<number>((sum, score) => sum + score, 0));
  const alpha = cronbachAlpha(complete);
  const value = "alpha" in alpha ? alpha.alpha : null;
  const sd = totals.length > 1 ? Math.sqrt(sampleVariance(totals)) : null;
  const items = Array.from({ length: width }, (_, j) => {
    const answers = answersTo(scores, j);
    const own = itemFigures(answers, complete, j);
    const choices = options
      ? optionStatistics(
          answers.map(({ student, rest }) => ({ option: options.chosen[student]?.[j] ?? null, rest })),
          options.keys[j] ?? "",
        )
      : [];
    const strong = options ? strongChoices(answers, options.chosen, j) : [];
    const flags = flagsOf(
      own,
      choices,
      strong,
      options?.keys[j] ?? "",
      (seconds ?? []).map((row) => row[j] ?? null),
    );
    return { ...own, options: choices, flags };
  });
  return {
    items,
    alpha: value,
    complete: complete.length,
    noAlpha: "noEstimate" in alpha ? alpha.noEstimate : null,
    // Alpha below zero says nothing of the error; an error above the spread itself would.
    sem: value === null || sd === null ? null : sd * Math.sqrt(Math.min(1, 1 - value)),
    mean: totals.length > 0 ? mean(totals) : null,
    sd,
    n: scores.length,
    few: scores.length < FEW_STUDENTS,
  };
}

interface Answer {
  readonly student: number;
  readonly right: 0 | 1;
  /** Share right of the student's other items, and of all. */
  readonly rest: number;
  readonly total: number;
}

function answersTo(scores: readonly (readonly Score[])[], j: number): Answer[] {
  return scores.flatMap((row, student) => {
    const right = row[j];
    if (right !== 0 && right !== 1) return [];
    const others = row.filter((score, place) => place !== j && score !== null);
    const rest = others.length > 0 ? others.filter((score) => score === 1).length / others.length : 0;
    return [{ student, right, rest, total: (rest * others.length + right) / (others.length + 1) }];
  });
}

function itemFigures(answers: readonly Answer[], complete: readonly (readonly number[])[], j: number) {
  const right = answers.filter((answer) => answer.right === 1).length;
  const without = cronbachAlpha(complete.map((row) => row.filter((_, place) => place !== j)));
  return {
    difficulty: answers.length > 0 ? right / answers.length : null,
    interval: wilson(right, answers.length, LEVEL),
    itemRest: correlation(
      answers.map((answer) => answer.right),
      answers.map(({ rest }) => rest),
    ),
    upperLower: upperLowerIndex(answers),
    alphaIfDropped: "alpha" in without ? without.alpha : null,
    n: answers.length,
  };
}

/** Options taken by the students above the median of the rest score: those who should know. */
function strongChoices(
  answers: readonly Answer[],
  chosen: readonly (readonly (string | null)[])[],
  j: number,
): string[] {
  if (answers.length === 0) return [];
  const middle = median(answers.map(({ rest }) => rest));
  return answers
    .filter(({ rest }) => rest > middle)
    .map(({ student }) => chosen[student]?.[j] ?? null)
    .filter((option) => option !== null);
}

function flagsOf(
  item: { readonly difficulty: number | null; readonly itemRest: number | null },
  options: readonly OptionStatistic[],
  strong: readonly string[],
  key: string,
  seconds: readonly (number | null)[],
): ItemFlag[] {
  const flags: ItemFlag[] = [];
  if (item.difficulty !== null && item.difficulty < FLAG_AT.tooHard) flags.push("too-hard");
  if (item.difficulty !== null && item.difficulty > FLAG_AT.tooEasy) flags.push("too-easy");
  if (item.itemRest !== null && item.itemRest < FLAG_AT.itemRest) flags.push("weak-discrimination");
  const takers = (option: string) => strong.filter((taken) => taken === option).length;
  if (options.some(({ option, isKey }) => !isKey && takers(option) > takers(key))) flags.push("key-suspect");
  if (options.some(({ drawsTheStrong }) => drawsTheStrong)) flags.push("draws-the-strong");
  const known = seconds.filter((value) => value !== null);
  const rapid = known.length > 0 ? known.filter((value) => value < rapidLimit(median(known))).length : 0;
  if (rapid > known.length * FLAG_AT.rapidShare) flags.push("too-fast");
  return flags;
}
