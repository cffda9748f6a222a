import { accelerate } from "./accelerate";
import type { CurveFamily, FreeItem } from "./curveFamily";
import { abilityNodes, expectation } from "./expectation";
import type { ItemPrior } from "./itemPrior";
import { type Layout, layoutOf } from "./layout";
import { maximiseCommonSlope, maximiseItem } from "./maximisation";
import type { ResponsePattern } from "./responsePatterns";
import { freeCovariance } from "./standardErrors";

/** Normal population of ability, in logits. */
export interface Population {
  readonly mean: number;
  readonly sd: number;
}

/** A population that was estimated, with the standard errors of its mean and spread. */
export interface EstimatedPopulation extends Population {
  readonly seMean: number;
  readonly seSd: number;
}

export interface FitProblem {
  readonly patterns: readonly ResponsePattern[];
  readonly families: readonly CurveFamily[];
  /** Where to start, and for the items that are fixed, where they are. */
  readonly start: readonly FreeItem[];
  readonly isFixed: (item: number) => boolean;
  readonly prior: ItemPrior;
  readonly commonSlope: boolean;
  readonly population: Population;
  /** Whether the population is estimated too: then some items must be fixed, or the scale would float. */
  readonly freePopulation: boolean;
  readonly mostCycles: number;
}

/** How an estimation went, whatever it estimated. */
export interface FitReport {
  /** As given, with errors 0; estimated where there are anchors. */
  readonly population: EstimatedPopulation;
  readonly logLikelihood: number;
  /** False when the cycles ran out or an estimate stands at a bound: do not use it unseen. */
  readonly converged: boolean;
  readonly cycles: number;
  readonly students: number;
}

export interface Fit extends FitReport {
  readonly items: readonly FreeItem[];
  /** Standard error of an item's free parameter; 0 where it was fixed. */
  readonly error: (item: number, parameter: number) => number;
}

/** Largest change of a free parameter (logits, log a) in one EM step at which the estimates stand. */
const SETTLED = 1e-6;

/**
 * Free parameters by marginal maximum likelihood with EM (Bock & Aitkin 1981), steps accelerated (Varadhan & Roland 2008), and with fixed
 * items the population by EM as well, its nodes moved along (Kim 2006, several updates and cycles). `open`: items that the answers leave open.
 */
export function fitItems(problem: FitProblem): Fit | { readonly open: readonly number[] } {
  const { patterns, families, prior, population, freePopulation } = problem;
  const layout = layoutOf(
    problem.start.map(({ length }) => length),
    (j) => !problem.isFixed(j),
    problem.commonSlope,
    freePopulation,
  );
  const unpacked = (flat: readonly number[]) => unpack(flat, problem, layout);
  const likelihood = (flat: readonly number[]) => {
    const { items, mean, sd } = unpacked(flat);
    return expectation(patterns, families, items, abilityNodes(mean, sd)).logLikelihood;
  };
  const step = (flat: readonly number[]) => emStep(unpacked(flat), problem, layout);
  let flat = pack(problem.start, population, layout);
  let [cycles, settled] = [0, false];
  while (!settled && cycles < problem.mostCycles) {
    const { plain, leapt, change } = accelerate(flat, step);
    flat = likelihood(leapt) >= likelihood(plain) ? leapt : plain;
    settled = change < SETTLED;
    cycles++;
  }
  const { items, mean, sd } = unpacked(flat);
  const nodes = abilityNodes(mean, sd);
  const errors = freeCovariance({ patterns, families, items, nodes, mean, sd, prior, layout });
  if ("open" in errors) return errors;
  const errorAt = (place: number) => Math.sqrt(Math.max(0, errors.covariance[place]?.[place] ?? 0));
  const isAtBound = items.some(
    (item, j) => !problem.isFixed(j) && item.some((value, place) => atBound(value, families[j], place)),
  );
  return {
    items,
    error: (item, parameter) => errorAt(layout.placeOf(item, parameter)),
    population: {
      mean,
      sd,
      seMean: errorAt(layout.population),
      seSd: freePopulation ? sd * errorAt(layout.population + 1) : 0,
    },
    logLikelihood: likelihood(flat),
    converged: settled && !isAtBound,
    cycles,
    students: patterns.reduce((sum, { count }) => sum + count, 0),
  };
}

interface Unpacked extends Population {
  readonly items: readonly FreeItem[];
}

function pack(items: readonly FreeItem[], { mean, sd }: Population, layout: Layout): number[] {
  const flat = new Array<number>(layout.size).fill(0);
  items.forEach((item, j) => {
    item.forEach((value, parameter) => {
      const place = layout.placeOf(j, parameter);
      if (place >= 0) flat[place] = value;
    });
  });
  if (layout.population >= 0) flat.splice(layout.population, 2, mean, Math.log(sd));
  return flat;
}

function unpack(flat: readonly number[], { start, population }: FitProblem, layout: Layout): Unpacked {
  const items = start.map((item, j) =>
    item.map((value, parameter) => {
      const place = layout.placeOf(j, parameter);
      return place < 0 ? value : (flat[place] ?? 0);
    }),
  );
  if (layout.population < 0) return { items, ...population };
  return { items, mean: flat[layout.population] ?? 0, sd: Math.exp(flat[layout.population + 1] ?? 0) };
}

/** One E-step and one M-step. */
function emStep({ items, mean, sd }: Unpacked, problem: FitProblem, layout: Layout): number[] {
  const { patterns, families, prior, commonSlope, isFixed } = problem;
  const nodes = abilityNodes(mean, sd);
  const { counts, posteriors } = expectation(patterns, families, items, nodes);
  let moved = items.map((free, j) =>
    isFixed(j) ? free : maximiseItem(free, families[j] as CurveFamily, counts[j] ?? [], nodes, prior, commonSlope),
  );
  if (commonSlope) {
    const open = moved.flatMap((free, j) =>
      isFixed(j) ? [] : [{ free, family: families[j] as CurveFamily, counts: counts[j] ?? [] }],
    );
    const logA = maximiseCommonSlope(open, nodes);
    moved = moved.map((free, j) => (isFixed(j) ? free : [logA, ...free.slice(1)]));
  }
  const found = layout.population < 0 ? { mean, sd } : populationOf(patterns, posteriors, nodes.thetas);
  return pack(moved, found, layout);
}

/** Mean and spread of ability over all students' posteriors. */
function populationOf(
  patterns: readonly ResponsePattern[],
  posteriors: readonly Float64Array[],
  thetas: Float64Array,
): Population {
  let [students, first, second] = [0, 0, 0];
  patterns.forEach(({ count }, p) => {
    students += count;
    posteriors[p]?.forEach((share, q) => {
      const theta = thetas[q] ?? 0;
      first += count * share * theta;
      second += count * share * theta * theta;
    });
  });
  const mean = first / students;
  return { mean, sd: Math.sqrt(second / students - mean * mean) };
}

function atBound(value: number, family: CurveFamily | undefined, place: number): boolean {
  const bounds = family?.bounds[place];
  return bounds !== undefined && (value <= bounds.low || value >= bounds.high);
}
