import { demandThat } from "../model/fail";
import type { NoEstimate } from "../model/noEstimate";
import type { Score } from "../model/score";
import { type FitReport, fitItems, type Population } from "./calibration/fitItems";
import { type ItemPrior, THREE_PARAMETER_PRIOR } from "./calibration/itemPrior";
import { type ResponsePattern, responsePatterns } from "./calibration/responsePatterns";
import { fromFree, rightWrongFamily, toFree } from "./calibration/rightWrongFamily";
import type { ItemParameters } from "./item";

export interface CalibrationOptions {
  /** "rasch": one common slope, estimated; "2pl": a slope each; "3pl": with guessing, under priors. */
  readonly model: "rasch" | "2pl" | "3pl";
  /** Normal population of ability, in logits; mean 0 and sd 1 unless the group's place on the scale is known. */
  readonly population?: Population;
  /** Items, by place, whose parameters are known: they stay, the others come onto their scale, and the population is estimated. */
  readonly anchors?: ReadonlyMap<number, ItemParameters>;
  /** Fewest answers an item must have; 100 unless stated. */
  readonly leastAnswers?: number;
  /** Pairs of EM steps before it gives up and says so. */
  readonly mostCycles?: number;
}

/** An item with its estimates; `se` is the standard error of b (logits), the others those of a and c; 0 for an anchor. */
export interface CalibratedItem extends ItemParameters {
  readonly se: number;
  readonly seA: number;
  readonly seC: number;
  readonly answers: number;
}

export interface Calibration extends FitReport {
  readonly items: readonly CalibratedItem[];
}

/** Why there is no calibration, and which items (by place) are the cause. */
export interface CalibrationRefusal
  extends NoEstimate<"no-answers" | "too-few-answers" | "all-right-or-all-wrong" | "too-few-items" | "singular"> {
  readonly items: readonly number[];
}

/** Fewest answers an item needs, unless stated. */
export const LEAST_ANSWERS = 100;
export const MOST_CYCLES = 500;
const START_GUESSING = 0.2;
const STANDARD: Population = { mean: 0, sd: 1 };

/**
 * Item parameters by marginal maximum likelihood with EM (Bock & Aitkin 1981), ability integrated over 61 equally spaced
 * nodes, steps accelerated (Varadhan & Roland 2008), standard errors from the observed information (Louis 1982). `scores`
 * hold one row a student, one column an item; null is left out of everything. With anchors new items come onto an existing scale (fixed
 * parameter calibration; Kim 2006). Needs 100 answers an item unless stated,
 * and of each both right and wrong ones; otherwise it says which items stand in the way, and so it does where the answers leave an item's
 * parameters open ("singular"). Throws "bad-argument" for ragged
 * rows or other scores.
 */
export function calibrate(
  scores: readonly (readonly Score[])[],
  options: CalibrationOptions,
): Calibration | CalibrationRefusal {
  const { model, population = STANDARD, leastAnswers = LEAST_ANSWERS, mostCycles = MOST_CYCLES } = options;
  const anchors = options.anchors ?? new Map<number, ItemParameters>();
  demandPopulation(population);
  const width = scores[0]?.length ?? 0;
  const patterns = responsePatterns(
    scores,
    Array.from({ length: width }, () => 1),
  );
  const refusal = refusalOf(patterns, leastAnswers, (j) => anchors.has(j));
  if (refusal) return refusal;
  const guessing = model === "3pl";
  const prior: ItemPrior = guessing
    ? { ...THREE_PARAMETER_PRIOR, b: { ...THREE_PARAMETER_PRIOR.b, mean: population.mean } }
    : {};
  const places = Array.from({ length: width }, (_, j) => j);
  const fit = fitItems({
    patterns,
    families: places.map((j) => rightWrongFamily(guesses(anchors.get(j), guessing))),
    start: places.map((j) => startOf(patterns, j, population, guessing, anchors.get(j))),
    isFixed: (j) => anchors.has(j),
    prior,
    commonSlope: model === "rasch",
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
    items: fit.items.map((free, j) => {
      const { a, b, c } = fromFree(free);
      // Errors of log a and logit c carried over to a and c (delta method).
      return {
        a,
        b,
        c,
        se: fit.error(j, 1),
        seA: a * fit.error(j, 0),
        seC: c * (1 - c) * fit.error(j, 2),
        answers: answersOf(patterns, j),
      };
    }),
  };
}

/** Throws "bad-argument" for a population that no calibration could stand on. */
export function demandPopulation(population: Population): void {
  demandThat(population.sd > 0 && Number.isFinite(population.mean), "A population needs a mean and sd > 0.", {
    mean: population.mean,
    sd: population.sd,
  });
}

export function answersOf(patterns: readonly ResponsePattern[], j: number): number {
  return patterns.reduce((sum, { scores, count }) => sum + (scores[j] === null ? 0 : count), 0);
}

function refusalOf(
  patterns: readonly ResponsePattern[],
  leastAnswers: number,
  isAnchor: (j: number) => boolean,
): CalibrationRefusal | null {
  if (patterns.length === 0) return { noEstimate: "no-answers", items: [] };
  const items = (patterns[0]?.scores ?? []).map((_, j) => j);
  if (items.length < 2) return { noEstimate: "too-few-items", items };
  const fresh = items.filter((j) => !isAnchor(j));
  const few = fresh.filter((j) => answersOf(patterns, j) < leastAnswers);
  if (few.length > 0) return { noEstimate: "too-few-answers", items: few };
  const flat = fresh.filter((j) => [0, answersOf(patterns, j)].includes(rightOf(patterns, j)));
  return flat.length > 0 ? { noEstimate: "all-right-or-all-wrong", items: flat } : null;
}

function rightOf(patterns: readonly ResponsePattern[], j: number): number {
  return patterns.reduce((sum, { scores, count }) => sum + (scores[j] === 1 ? count : 0), 0);
}

/** An anchor with a chance to be guessed keeps it, whatever model the new items are fitted by. */
function guesses(anchor: ItemParameters | undefined, guessing: boolean): boolean {
  return anchor ? anchor.c > 0 : guessing;
}

/** Slope 1 and the difficulty at which the share right is what was seen, for somebody in the middle of the population. */
function startOf(
  patterns: readonly ResponsePattern[],
  j: number,
  { mean }: Population,
  guessing: boolean,
  anchor: ItemParameters | undefined,
): number[] {
  if (anchor) return toFree(anchor, guesses(anchor, guessing));
  const share = (rightOf(patterns, j) + 0.5) / (answersOf(patterns, j) + 1);
  return toFree({ a: 1, b: mean - Math.log(share / (1 - share)), c: START_GUESSING }, guessing);
}
