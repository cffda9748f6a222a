import { inv } from "mathjs";
import { describe, expect, it } from "vitest";
import { type Calibration, calibrate } from "@/core/measurement/calibrate";
import { THREE_PARAMETER_PRIOR } from "@/core/measurement/calibration/itemPrior";
import { probability } from "@/core/measurement/probability";
import type { Score } from "@/core/model/score";
import { seededRandom } from "@/core/numeric/seededRandom";
import { normal } from "~/demo/learner";
import { lawSchoolScores } from "~/tests/reference/lawSchoolSections";

const done = (result: ReturnType<typeof calibrate>): Calibration => {
  if ("noEstimate" in result) throw new Error(result.noEstimate);
  return result;
};

/** Estimates of Rizopoulos 2006, Journal of Statistical Software 17(5), for the same data. */
describe("calibration of the law-school sections", () => {
  it("gives the published one-slope estimates with their errors", () => {
    const { items, logLikelihood, converged } = done(calibrate(lawSchoolScores, { model: "rasch" }));
    expect(converged).toBe(true);
    expect(logLikelihood).toBeCloseTo(-2466.938, 3);
    const difficulties = [-3.6153, -1.3224, -0.3176, -1.7301, -2.7802];
    const errors = [0.3266, 0.1422, 0.0977, 0.1691, 0.251];
    items.forEach((item, place) => {
      expect(item.a).toBeCloseTo(0.7551, 4);
      expect(item.seA).toBeCloseTo(0.0694, 4);
      expect(item.b).toBeCloseTo(difficulties[place] ?? 0, 3);
      expect(item.se).toBeCloseTo(errors[place] ?? 0, 3);
      expect(item).toMatchObject({ c: 0, seC: 0, answers: 1000 });
    });
  });

  it("gives the published two-parameter estimates with their errors", () => {
    const { items, logLikelihood } = done(calibrate(lawSchoolScores, { model: "2pl" }));
    expect(logLikelihood).toBeCloseTo(-2466.653, 3);
    const published = [
      { b: -3.3597, a: 0.8254, se: 0.8669, seA: 0.2581 },
      { b: -1.3696, a: 0.7229, se: 0.3073, seA: 0.1867 },
      { b: -0.2799, a: 0.8905, se: 0.0997, seA: 0.2326 },
      { b: -1.8659, a: 0.6886, se: 0.4341, seA: 0.1852 },
      { b: -3.1236, a: 0.6575, se: 0.8699, seA: 0.21 },
    ];
    items.forEach((item, place) => {
      for (const [name, value] of Object.entries(published[place] ?? {}))
        expect(Math.abs(item[name as "a" | "b" | "se" | "seA"] - value), `${place} ${name}`).toBeLessThan(0.003);
    });
  });
});

/** 3,000 simulated students on eight items of known parameters; every fourth answer not given. */
function simulated(
  items: readonly { a: number; b: number; c: number }[],
  students: number,
  missing: number,
): Score[][] {
  const random = seededRandom("calibrate");
  return Array.from({ length: students }, () => {
    const theta = normal(random, 0, 1);
    return items.map((item): Score => {
      const right = random() < probability(theta, item);
      return random() < missing ? null : right ? 1 : 0;
    });
  });
}

describe("calibration of simulated answers", () => {
  const truth = [0.7, 1, 1.3, 1.6, 0.9, 1.2, 1.8, 1.1].map((a, place) => ({ a, b: -1.75 + place / 2, c: 0 }));

  it("recovers the truth within three standard errors though a quarter of the answers is missing", () => {
    const { items, converged } = done(calibrate(simulated(truth, 3000, 0.25), { model: "2pl" }));
    expect(converged).toBe(true);
    items.forEach((item, place) => {
      const known = truth[place] as (typeof truth)[number];
      expect(Math.abs(item.b - known.b)).toBeLessThan(3 * item.se);
      expect(Math.abs(item.a - known.a)).toBeLessThan(3 * item.seA);
      expect(item.se).toBeLessThan(0.25);
    });
  });

  it("keeps guessing near its prior where weak students tell little, and within three errors of the truth", () => {
    const guessed = truth.map((item) => ({ ...item, c: 0.2 }));
    const { items } = done(calibrate(simulated(guessed, 3000, 0), { model: "3pl" }));
    items.forEach((item, place) => {
      expect(Math.abs(item.c - 0.2)).toBeLessThan(3 * item.seC);
      expect(Math.abs(item.b - (truth[place]?.b ?? 0))).toBeLessThan(3.2 * item.se);
    });
  });

  it("places items on the scale of the group that was asked", () => {
    const scores = simulated(truth, 1000, 0);
    const here = done(calibrate(scores, { model: "rasch" }));
    const there = done(calibrate(scores, { model: "rasch", population: { mean: 2, sd: 2 } }));
    expect(there.items[0]?.b).toBeCloseTo(2 + 2 * (here.items[0]?.b ?? 0), 3);
    expect(there.items[0]?.a).toBeCloseTo((here.items[0]?.a ?? 0) / 2, 3);
    expect(there.logLikelihood).toBeCloseTo(here.logLikelihood, 3);
  });

  it("says when it ran out of cycles instead of passing off what it has", () => {
    expect(done(calibrate(lawSchoolScores, { model: "2pl", mostCycles: 1 })).converged).toBe(false);
  });

  it("gives no estimate where an item without discrimination leaves its difficulty open, and names it", () => {
    const random = seededRandom("reversed");
    const scores = simulated(truth, 400, 0).map((row): Score[] => {
      const right = row.filter((score) => score === 1).length;
      return [...row, random() < right / 10 ? 0 : 1];
    });
    expect(calibrate(scores, { model: "2pl" })).toEqual({ noEstimate: "singular", items: [8] });
  });
});

describe("errors of the three-parameter model", () => {
  const scores = simulated(
    [
      { a: 1.2, b: -0.5, c: 0.2 },
      { a: 1.6, b: 0.3, c: 0.15 },
      { a: 0.9, b: 0.8, c: 0.25 },
      { a: 1.4, b: -1, c: 0.2 },
    ],
    1500,
    0,
  );
  const counts = new Map<string, number>();
  for (const row of scores) counts.set(row.join(""), (counts.get(row.join("")) ?? 0) + 1);

  /** Log posterior by the free parameters (log a, b, logit c of each item), summed over 241 nodes; written out anew. */
  function logPosterior(free: readonly number[]): number {
    const items = [0, 3, 6, 9].map((at) => ({
      a: Math.exp(free[at] ?? 0),
      b: free[at + 1] ?? 0,
      c: 1 / (1 + Math.exp(-(free[at + 2] ?? 0))),
    }));
    let sum = 0;
    for (const { a, b, c } of items)
      sum -= (Math.log(a) - 0.25) ** 2 / 0.5 + b ** 2 / 8 - 4 * Math.log(c) - 16 * Math.log(1 - c);
    for (const [pattern, count] of counts) {
      let [total, weights] = [0, 0];
      for (let z = -6; z <= 6; z += 0.05) {
        const weight = Math.exp((-z * z) / 2);
        weights += weight;
        total += items.reduce((product, { a, b, c }, j) => {
          const right = c + (1 - c) / (1 + Math.exp(-a * (z - b)));
          return product * (pattern[j] === "1" ? right : 1 - right);
        }, weight);
      }
      sum += count * Math.log(total / weights);
    }
    return sum;
  }

  it("are those of the observed information: the curvature of the posterior, found by differences", () => {
    // The prior of log a has a standard deviation of 0.5: twice its variance is 0.5; that of b 2: twice its variance is 8.
    const { items } = done(calibrate(scores, { model: "3pl" }));
    const at = items.flatMap(({ a, b, c }) => [Math.log(a), b, Math.log(c / (1 - c))]);
    const step = 0.01;
    const moved = (i: number, by: number, j: number, also: number) =>
      logPosterior(at.map((value, place) => value + (place === i ? by : 0) + (place === j ? also : 0)));
    const curvature = at.map((_, i) =>
      at.map(
        (_same, j) =>
          -(moved(i, step, j, step) - moved(i, step, j, -step) - moved(i, -step, j, step) + moved(i, -step, j, -step)) /
          (4 * step * step),
      ),
    );
    const covariance = inv(curvature) as number[][];
    items.forEach(({ se, seA, seC, a, c }, j) => {
      const error = (parameter: number) => Math.sqrt(covariance[3 * j + parameter]?.[3 * j + parameter] ?? Number.NaN);
      expect(seA / a / error(0)).toBeCloseTo(1, 2);
      expect(se / error(1)).toBeCloseTo(1, 2);
      expect(seC / (c * (1 - c)) / error(2)).toBeCloseTo(1, 2);
    });
  });

  it("cannot be had of two items with four parameters: nothing is estimated, and they are named", () => {
    const twice = scores.map((row): Score[] => [...row.slice(0, 2)]);
    expect(calibrate(twice, { model: "2pl" })).toEqual({ noEstimate: "singular", items: [0, 1] });
  });
});

const SOUND = [-1, -0.4, 0.2, 0.6, 1].map((b) => ({ a: 1.3, b, c: 0 }));

describe("calibration refuses", () => {
  const rows = (n: number, make: (place: number) => Score[]) => Array.from({ length: n }, (_, place) => make(place));
  const mixed = (place: number): Score[] => [place % 2 === 0 ? 1 : 0, place % 3 === 0 ? 1 : 0];

  it.each([
    ["no answers at all", [], "no-answers", []],
    ["only unanswered rows", rows(200, () => [null, null]), "no-answers", []],
    ["a single item", rows(200, (place) => [place % 2 === 0 ? 1 : 0]), "too-few-items", [0]],
    ["99 answers", rows(99, mixed), "too-few-answers", [0, 1]],
    ["an item everybody had right", rows(100, (place) => [1, mixed(place)[1] ?? 0]), "all-right-or-all-wrong", [0]],
    ["an item nobody had right", rows(100, (place) => [mixed(place)[0] ?? 0, 0]), "all-right-or-all-wrong", [1]],
  ] as const)("%s, and names the items", (_, scores, reason, items) => {
    expect(calibrate(scores, { model: "2pl" })).toEqual({ noEstimate: reason, items });
  });

  it("accepts 100 answers, and fewer when told to", () => {
    expect(calibrate(simulated(SOUND, 100, 0), { model: "rasch" })).toHaveProperty("logLikelihood");
    expect(calibrate(simulated(SOUND, 40, 0), { model: "rasch", leastAnswers: 40 })).toHaveProperty("logLikelihood");
  });

  it("ragged rows and other scores", () => {
    expect(() => calibrate([[1, 0], [1]], { model: "2pl" })).toThrow(/one score for each item/);
    expect(() => calibrate([[1, 2 as 1]], { model: "2pl" })).toThrow(/whole number/);
    expect(() => calibrate(rows(100, mixed), { model: "2pl", population: { mean: 0, sd: 0 } })).toThrow(/sd > 0/);
  });
});

it("the prior of guessing says one in five", () => {
  const { right, wrong } = THREE_PARAMETER_PRIOR.c;
  expect((right - 1) / (right + wrong - 2)).toBeCloseTo(0.2, 12);
});
