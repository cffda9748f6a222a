import { demandThat } from "../model/fail";
import type { NoEstimate } from "../model/noEstimate";
import { answersOf, demandPopulation, LEAST_ANSWERS, MOST_CYCLES } from "./calibrate";
import { type FitReport, fitItems, type Population } from "./calibration/fitItems";
import { pointsFamily } from "./calibration/pointsFamily";
import { type ResponsePattern, responsePatterns } from "./calibration/responsePatterns";
import type { PartialCreditItem } from "./partialCredit";

export interface PointsCalibrationOptions {
  /** Points possible of each item, 1 or more. */
  readonly highest: readonly number[];
  /** One slope for all (partial credit model; Masters 1982), or one each (Muraki 1992); each unless stated. */
  readonly commonSlope?: boolean;
  readonly population?: Population;
  /** Items, by place, whose parameters are known: they stay, and the population is estimated. */
  readonly anchors?: ReadonlyMap<number, PartialCreditItem>;
  readonly leastAnswers?: number;
  readonly mostCycles?: number;
}

/** An item of several points with its estimates and their standard errors; 0 for an anchor. */
export interface CalibratedPointsItem extends PartialCreditItem {
  readonly seA: number;
  readonly seSteps: readonly number[];
  readonly answers: number;
}

export interface PointsCalibration extends FitReport {
  readonly items: readonly CalibratedPointsItem[];
}

/** Why there is no calibration, and which items (by place) are the cause. */
export interface PointsCalibrationRefusal
  extends NoEstimate<"no-answers" | "too-few-answers" | "points-never-earned" | "too-few-items" | "singular"> {
  readonly items: readonly number[];
}

/**
 * Parameters of items that earn several points, right-wrong ones among them as items of one, under the generalized partial credit model by
 * marginal maximum likelihood with EM (Muraki 1992), errors from the observed information (Louis 1982). `points`: one row a student, one column an
 * item, null = not given. Refused, with the items in the way: under 100 answers unless stated, a number of points that nobody
 * earned (its step has no place then), fewer than two items, or parameters that the answers leave open.
 * @throws CoreError "bad-argument", where this does not hold: Every item needs its points, 1 or more.
 * @example calibratePoints([[1, 0]], { highest: [1, 1] }) // { noEstimate: "too-few-answers", items: [0, 1] }
 */
export function calibratePoints(
  points: readonly (readonly (number | null)[])[],
  options: PointsCalibrationOptions,
): PointsCalibration | PointsCalibrationRefusal {
  const { highest, population = { mean: 0, sd: 1 }, leastAnswers = LEAST_ANSWERS, mostCycles = MOST_CYCLES } = options;
  const anchors = options.anchors ?? new Map<number, PartialCreditItem>();
  demandPopulation(population);
  demandThat(
    highest.every((most) => Number.isInteger(most) && most >= 1) &&
      [...anchors].every(([j, { steps }]) => steps.length === highest[j]),
    "Every item needs its points, 1 or more.",
    { highest: [...highest] },
  );
  const patterns = responsePatterns(points, highest);
  const refusal = refusalOf(patterns, highest, leastAnswers, (j) => anchors.has(j));
  if (refusal) return refusal;
  const fit = fitItems({
    patterns,
    families: highest.map(pointsFamily),
    start: highest.map((most, j) => {
      const anchor = anchors.get(j);
      return anchor ? [Math.log(anchor.a), ...anchor.steps] : startOf(patterns, j, most, population.mean);
    }),
    isFixed: (j) => anchors.has(j),
    prior: {},
    commonSlope: options.commonSlope ?? false,
    population,
    freePopulation: anchors.size > 0,
    mostCycles,
  });
  if ("open" in fit) return { noEstimate: "singular", items: fit.open };
  const { population: found, logLikelihood, converged, cycles, students } = fit;
  return {
    population: found,
    logLikelihood,
    converged,
    cycles,
    students,
    items: fit.items.map(([logA = 0, ...steps], j) => ({
      a: Math.exp(logA),
      steps,
      seA: Math.exp(logA) * fit.error(j, 0),
      seSteps: steps.map((_, step) => fit.error(j, step + 1)),
      answers: answersOf(patterns, j),
    })),
  };
}

function refusalOf(
  patterns: readonly ResponsePattern[],
  highest: readonly number[],
  leastAnswers: number,
  isAnchor: (j: number) => boolean,
): PointsCalibrationRefusal | null {
  if (patterns.length === 0) return { noEstimate: "no-answers", items: [] };
  const items = highest.map((_, j) => j);
  if (items.length < 2) return { noEstimate: "too-few-items", items };
  const fresh = items.filter((j) => !isAnchor(j));
  const few = fresh.filter((j) => answersOf(patterns, j) < leastAnswers);
  if (few.length > 0) return { noEstimate: "too-few-answers", items: few };
  const gaps = fresh.filter((j) => earningsOf(patterns, j, highest[j] ?? 0).includes(0));
  return gaps.length > 0 ? { noEstimate: "points-never-earned", items: gaps } : null;
}

/** Students who earned 0, 1, … points at an item. */
function earningsOf(patterns: readonly ResponsePattern[], j: number, most: number): number[] {
  const earnings = new Array<number>(most + 1).fill(0);
  for (const { scores, count } of patterns) {
    const earned = scores[j];
    if (earned !== null && earned !== undefined) earnings[earned] = (earnings[earned] ?? 0) + count;
  }
  return earnings;
}

/** Slope 1 and the steps at which neighbouring numbers of points are as frequent as was seen, in the middle of the population. */
function startOf(patterns: readonly ResponsePattern[], j: number, most: number, mean: number): number[] {
  const earnings = earningsOf(patterns, j, most);
  return [0, ...earnings.slice(1).map((count, step) => mean - Math.log(count / (earnings[step] ?? 1)))];
}
