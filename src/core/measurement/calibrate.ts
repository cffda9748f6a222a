import { demandThat } from "../model/fail";
import type { NoEstimate } from "../model/noEstimate";
import type { Score } from "../model/score";
import { accelerate } from "./calibration/accelerate";
import { abilityNodes, expectation } from "./calibration/expectation";
import { type FreeItem, fromFree, toFree } from "./calibration/itemCurve";
import { type ItemPrior, THREE_PARAMETER_PRIOR } from "./calibration/itemPrior";
import { FREE_BOUNDS, maximiseCommonSlope, maximiseItem } from "./calibration/maximisation";
import { type ResponsePattern, responsePatterns } from "./calibration/responsePatterns";
import { freeCovariance } from "./calibration/standardErrors";
import type { ItemParameters } from "./item";

export interface CalibrationOptions {
  /** "rasch": one common slope, estimated; "2pl": a slope each; "3pl": with guessing, under priors. */
  readonly model: "rasch" | "2pl" | "3pl";
  /** Normal population of ability, in logits; mean 0 and sd 1 unless the group's place on the scale is known. */
  readonly population?: { readonly mean: number; readonly sd: number };
  /** Fewest answers an item must have; 100 unless stated. */
  readonly leastAnswers?: number;
  /** Pairs of EM steps before it gives up and says so. */
  readonly mostCycles?: number;
}

/** An item with its estimates; `se` is the standard error of b (logits), the others those of a and c. */
export interface CalibratedItem extends ItemParameters {
  readonly se: number;
  readonly seA: number;
  readonly seC: number;
  readonly answers: number;
}

export interface Calibration {
  readonly items: readonly CalibratedItem[];
  readonly logLikelihood: number;
  /** False when the cycles ran out or an estimate stands at a bound: do not use it unseen. */
  readonly converged: boolean;
  readonly cycles: number;
  readonly students: number;
}

/** Why there is no calibration, and which items (by place) are the cause. */
export interface CalibrationRefusal
  extends NoEstimate<"no-answers" | "too-few-answers" | "all-right-or-all-wrong" | "too-few-items" | "singular"> {
  readonly items: readonly number[];
}

const LEAST_ANSWERS = 100;
const MOST_CYCLES = 500;
/** Largest change of a free parameter (logits, log a) in one EM step at which the estimates stand. */
const SETTLED = 1e-6;
const START_GUESSING = 0.2;

/**
 * Item parameters by marginal maximum likelihood with EM (Bock & Aitkin 1981), ability integrated over 61 equally spaced
 * nodes, steps accelerated (Varadhan & Roland 2008), standard errors from the observed information (Louis 1982). `scores`
 * hold one row a student, one column an item; null is left out of everything. Needs 100 answers an item unless stated,
 * and of each both right and wrong ones; otherwise it says which items stand in the way, and so it does where the answers leave an item's
 * parameters open ("singular"). Throws "bad-argument" for ragged
 * rows or other scores.
 */
export function calibrate(
  scores: readonly (readonly Score[])[],
  options: CalibrationOptions,
): Calibration | CalibrationRefusal {
  const { model, population = { mean: 0, sd: 1 }, leastAnswers = LEAST_ANSWERS, mostCycles = MOST_CYCLES } = options;
  demandThat(
    population.sd > 0 && Number.isFinite(population.mean),
    "A population needs a mean and sd > 0.",
    population,
  );
  const patterns = responsePatterns(scores);
  const refusal = refusalOf(patterns, leastAnswers);
  if (refusal) return refusal;
  const nodes = abilityNodes(population.mean, population.sd);
  const common = model === "rasch";
  const guessing = model === "3pl";
  const prior: ItemPrior = guessing
    ? { ...THREE_PARAMETER_PRIOR, b: { ...THREE_PARAMETER_PRIOR.b, mean: population.mean } }
    : {};
  const width = guessing ? 3 : 2;
  const unpack = (flat: readonly number[]): FreeItem[] =>
    Array.from({ length: flat.length / width }, (_, j) => flat.slice(j * width, (j + 1) * width));
  const step = (flat: readonly number[]): number[] => {
    const items = unpack(flat);
    const expected = expectation(patterns, items, nodes);
    const moved = items.map((item, j) => maximiseItem(item, j, expected, nodes, prior, common));
    if (!common) return moved.flat();
    const logA = maximiseCommonSlope(moved, expected, nodes);
    return moved.flatMap(([, ...rest]) => [logA, ...rest]);
  };
  const likelihood = (flat: readonly number[]) => expectation(patterns, unpack(flat), nodes).logLikelihood;
  let parameters = startValues(patterns, population, guessing);
  let [cycles, settled] = [0, false];
  while (!settled && cycles < mostCycles) {
    const { plain, leapt, change } = accelerate(parameters, step);
    parameters = likelihood(leapt) >= likelihood(plain) ? leapt : plain;
    settled = change < SETTLED;
    cycles++;
  }
  const items = unpack(parameters);
  const errors = freeCovariance(patterns, items, nodes, prior, common);
  if ("open" in errors) return { noEstimate: "singular", items: errors.open };
  const { covariance } = errors;
  const error = (place: number) => Math.sqrt(Math.max(0, covariance[place]?.[place] ?? 0));
  const atBound = items.some((item) => item.some((value, place) => isAtBound(value, place)));
  return {
    items: items.map((free, j) => {
      const { a, b, c } = fromFree(free);
      const [placeA, placeB, placeC] = common
        ? [0, j + 1, -1]
        : [j * width, j * width + 1, guessing ? j * width + 2 : -1];
      // Errors of log a and logit c carried over to a and c (delta method).
      return {
        a,
        b,
        c,
        se: error(placeB),
        seA: a * error(placeA),
        seC: c * (1 - c) * error(placeC),
        answers: answersOf(patterns, j),
      };
    }),
    logLikelihood: likelihood(parameters),
    converged: settled && !atBound,
    cycles,
    students: patterns.reduce((sum, { count }) => sum + count, 0),
  };
}

function refusalOf(patterns: readonly ResponsePattern[], leastAnswers: number): CalibrationRefusal | null {
  if (patterns.length === 0) return { noEstimate: "no-answers", items: [] };
  const items = (patterns[0]?.scores ?? []).map((_, j) => j);
  if (items.length < 2) return { noEstimate: "too-few-items", items };
  const few = items.filter((j) => answersOf(patterns, j) < leastAnswers);
  if (few.length > 0) return { noEstimate: "too-few-answers", items: few };
  const flat = items.filter((j) => [0, answersOf(patterns, j)].includes(rightOf(patterns, j)));
  return flat.length > 0 ? { noEstimate: "all-right-or-all-wrong", items: flat } : null;
}

function answersOf(patterns: readonly ResponsePattern[], j: number): number {
  return patterns.reduce((sum, { scores, count }) => sum + (scores[j] === null ? 0 : count), 0);
}

function rightOf(patterns: readonly ResponsePattern[], j: number): number {
  return patterns.reduce((sum, { scores, count }) => sum + (scores[j] === 1 ? count : 0), 0);
}

/** Slope 1 and the difficulty at which the share right is what was seen, for somebody in the middle of the population. */
function startValues(
  patterns: readonly ResponsePattern[],
  population: { readonly mean: number; readonly sd: number },
  guessing: boolean,
): number[] {
  return (patterns[0]?.scores ?? []).flatMap((_, j) => {
    const share = (rightOf(patterns, j) + 0.5) / (answersOf(patterns, j) + 1);
    return toFree({ a: 1, b: population.mean - Math.log(share / (1 - share)), c: START_GUESSING }, guessing);
  });
}

function isAtBound(value: number, place: number): boolean {
  const bounds = FREE_BOUNDS[place];
  return bounds !== undefined && (value <= bounds.low || value >= bounds.high);
}
