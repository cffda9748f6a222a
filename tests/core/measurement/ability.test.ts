import { describe, expect, it } from "vitest";
import { eap } from "@/core/measurement/eap";
import { expectedScore } from "@/core/measurement/expectedScore";
import { gradeBand } from "@/core/measurement/gradeBand";
import { gradePrior } from "@/core/measurement/gradePrior";
import { information } from "@/core/measurement/information";
import type { ItemParameters } from "@/core/measurement/item";
import { map } from "@/core/measurement/map";
import { mle } from "@/core/measurement/mle";
import { probability } from "@/core/measurement/probability";
import { scalePlace } from "@/core/measurement/scalePlace";
import { scaleScore } from "@/core/measurement/scaleScore";
import { testInformation } from "@/core/measurement/testInformation";
import { wle } from "@/core/measurement/wle";
import type { Score } from "@/core/model/score";

const rasch = (b: number): ItemParameters => ({ a: 1, b, c: 0 });
const same = (n: number): ItemParameters[] => Array.from({ length: n }, () => rasch(0.5));
const rightOf = (n: number, right: number): Score[] => Array.from({ length: n }, (_, place) => (place < right ? 1 : 0));
const mixed: ItemParameters[] = [
  { a: 0.8, b: -1.5, c: 0 },
  { a: 1.4, b: -0.5, c: 0.25 },
  { a: 1.1, b: 0, c: 0.2 },
  { a: 1.9, b: 0.7, c: 0 },
  { a: 1.2, b: 1.6, c: 0.25 },
];
const scores: Score[] = [1, 1, 0, 1, 0];

describe("information", () => {
  it("is a quarter of a squared at the difficulty without guessing", () => {
    expect(information(0.3, { a: 1.6, b: 0.3, c: 0 })).toBeCloseTo(1.6 ** 2 / 4, 12);
  });

  it("peaks with guessing where Birnbaum (1968, equation 20.4.21) puts it, at Lord's (1980, equation 10-5) height", () => {
    const item = { a: 1.3, b: 0.4, c: 0.2 };
    const peak = item.b + Math.log((1 + Math.sqrt(1 + 8 * item.c)) / 2) / item.a;
    const { a, c } = item;
    const height = (a ** 2 / (8 * (1 - c) ** 2)) * (1 - 20 * c - 8 * c ** 2 + (1 + 8 * c) ** 1.5);
    expect(information(peak, item)).toBeCloseTo(height, 12);
    expect(information(peak + 0.05, item)).toBeLessThan(height);
    expect(information(peak - 0.05, item)).toBeLessThan(height);
  });

  it("equals the squared slope over the variance, and stays finite far away", () => {
    for (const item of mixed) {
      const [p, h] = [probability(0.2, item), 1e-5];
      const slope = (probability(0.2 + h, item) - probability(0.2 - h, item)) / (2 * h);
      expect(information(0.2, item)).toBeCloseTo(slope ** 2 / (p * (1 - p)), 8);
      for (const theta of [-700, 700]) expect(information(theta, item)).toBeGreaterThanOrEqual(0);
    }
  });

  it("adds up over items, as expected points do", () => {
    expect(testInformation(0, [rasch(0), rasch(0)])).toBeCloseTo(0.5, 12);
    expect(expectedScore(0, [rasch(0), { a: 1, b: 0, c: 0.5 }])).toBeCloseTo(0.5 + 0.75, 12);
    expect(testInformation(0, [])).toBe(0);
  });

  it.each([
    { a: 0, b: 0, c: 0 },
    { a: -1, b: 0, c: 0 },
    { a: 1, b: 0, c: 1 },
    { a: 1, b: 0, c: -0.1 },
    { a: 1, b: Number.NaN, c: 0 },
    { a: Number.POSITIVE_INFINITY, b: 0, c: 0 },
  ])("refuses the impossible item %j", (item) => {
    expect(() => information(0, item)).toThrow(/0 <= c < 1/);
    expect(() => probability(0, item)).toThrow(/0 <= c < 1/);
    expect(() => eap([item], [1], { mean: 0, sd: 1 })).toThrow(/0 <= c < 1/);
  });

  it("refuses an ability that is not a number", () => {
    expect(() => information(Number.NaN, rasch(0))).toThrow(/finite theta/);
    expect(() => probability(Number.POSITIVE_INFINITY, rasch(0))).toThrow(/finite theta/);
  });
});

/** The posterior by Simpson's rule on a far finer grid, written independently. */
function fineEap(items: readonly ItemParameters[], given: readonly Score[], mean: number, sd: number) {
  const n = 8000;
  let [mass, first, second] = [0, 0, 0];
  for (let i = 0; i <= n; i++) {
    const theta = mean - 10 * sd + (20 * sd * i) / n;
    const likelihood = items.reduce((product, item, place) => {
      const p = item.c + (1 - item.c) / (1 + Math.exp(-item.a * (theta - item.b)));
      return given[place] === null ? product : product * (given[place] === 1 ? p : 1 - p);
    }, 1);
    const weight =
      (i === 0 || i === n ? 1 : i % 2 === 1 ? 4 : 2) * likelihood * Math.exp(-(((theta - mean) / sd) ** 2) / 2);
    mass += weight;
    first += weight * theta;
    second += weight * theta * theta;
  }
  return { theta: first / mass, se: Math.sqrt(second / mass - (first / mass) ** 2) };
}

describe("eap", () => {
  it.each([
    ["mixed answers", mixed, scores, 0, 1],
    ["one not given", mixed, [1, null, 0, 1, 0] as Score[], -0.75, 1],
    ["thirty right", same(30), rightOf(30, 30), 0, 1],
    ["thirty wrong, wide prior", same(30), rightOf(30, 0), 0.25, 2],
  ] as const)("agrees with fine integration: %s", (_, items, given, mean, sd) => {
    const fine = fineEap(items, given, mean, sd);
    const own = eap(items, given, { mean, sd });
    expect(Math.abs(own.theta - fine.theta)).toBeLessThan(1e-4);
    expect(Math.abs(own.se - fine.se)).toBeLessThan(1e-4);
  });

  it("is the prior without answers", () => {
    const nothing = eap(mixed, [null, null, null, null, null], { mean: 0.4, sd: 1.3 });
    expect(nothing.theta).toBeCloseTo(0.4, 9);
    expect(nothing.se).toBeCloseTo(1.3, 5);
    expect(nothing.n).toBe(0);
  });

  it("reaches six standard deviations: on four it would miss an extreme answer", () => {
    const far = [
      { a: 3, b: 4.5, c: 0 },
      { a: 3, b: 4.6, c: 0 },
    ];
    const fine = fineEap(far, [1, 1], 0, 1);
    expect(Math.abs(eap(far, [1, 1], { mean: 0, sd: 1 }).theta - fine.theta)).toBeLessThan(1e-3);
  });

  it("survives a thousand answers without underflow", () => {
    expect(eap(same(1000), rightOf(1000, 700), { mean: 0, sd: 1 }).theta).toBeCloseTo(0.5 + Math.log(7 / 3), 1);
  });

  it("refuses what makes no sense", () => {
    expect(() => eap(mixed, scores, { mean: 0, sd: 0 })).toThrow(/sd > 0/);
    expect(() => eap(mixed, [1], { mean: 0, sd: 1 })).toThrow(/one score for each item/);
    expect(() => eap([rasch(0)], [Number.NaN as 1], { mean: 0, sd: 1 })).toThrow(/1, 0 or null/);
    expect(() => eap(mixed, scores, { mean: 0, sd: 1, nodes: 60 })).toThrow(/odd/);
  });
});

describe("estimates without a prior", () => {
  it("mle of equal items is the difficulty plus the log odds of the share right (Rasch 1960)", () => {
    const estimate = mle(same(10), rightOf(10, 7));
    expect(estimate).toMatchObject({ theta: expect.closeTo(0.5 + Math.log(7 / 3), 9), n: 10 });
    expect(estimate).toMatchObject({ se: expect.closeTo(1 / Math.sqrt(10 * 0.7 * 0.3), 9) });
  });

  it("wle of equal items adds half an answer to each side (Warm 1989), also at the extremes", () => {
    for (const right of [0, 3, 10])
      expect(wle(same(10), rightOf(10, right))).toMatchObject({
        theta: expect.closeTo(0.5 + Math.log((right + 0.5) / (10 - right + 0.5)), 8),
      });
  });

  it("mle has the expected points equal to the points for slopes of 1", () => {
    const items = [-1, 0, 0.4, 2].map(rasch);
    const estimate = mle(items, [1, 1, 0, 0]);
    if ("noEstimate" in estimate) throw new Error("estimate wanted");
    expect(expectedScore(estimate.theta, items)).toBeCloseTo(2, 8);
  });

  it("say why there is none", () => {
    expect(mle(mixed, [1, 1, 1, 1, 1])).toEqual({ noEstimate: "all-right" });
    expect(mle(mixed, [0, 0, 0, 0, 0])).toEqual({ noEstimate: "all-wrong" });
    expect(mle(mixed, [null, null, null, null, null])).toEqual({ noEstimate: "no-answers" });
    expect(wle(mixed, [null, null, null, null, null])).toEqual({ noEstimate: "no-answers" });
    expect(mle([], [])).toEqual({ noEstimate: "no-answers" });
  });

  it("mle says no maximum when guessing explains the answers best", () => {
    const guessed: ItemParameters[] = [
      { a: 2, b: -1, c: 0.25 },
      { a: 2, b: 3, c: 0.25 },
    ];
    expect(mle(guessed, [0, 1])).toEqual({ noEstimate: "no-maximum" });
  });

  it("wle with guessing stays finite for every pattern of answers", () => {
    for (let pattern = 0; pattern < 32; pattern++) {
      const given = mixed.map((_, place): Score => (((pattern >> place) & 1) === 1 ? 1 : 0));
      const estimate = wle(mixed, given);
      if ("noEstimate" in estimate) throw new Error("estimate wanted");
      expect(Number.isFinite(estimate.theta) && estimate.se > 0).toBe(true);
    }
  });

  it("mle finds the maximum that guessing alone does not reach", () => {
    // (0.2 + 0.8 L)(1 - L) is highest at L = 0.375: 0.3125, over the 0.2 of minus infinity.
    const items: ItemParameters[] = [
      { a: 1, b: 0, c: 0.2 },
      { a: 1, b: 0, c: 0 },
    ];
    expect(mle(items, [1, 0])).toMatchObject({ theta: expect.closeTo(Math.log(0.375 / 0.625), 8) });
  });

  it("wle with guessing is the root of the slope plus J / 2I, by derivatives taken numerically", () => {
    const h = 1e-4;
    const slopeAt = (theta: number, given: readonly Score[]) => {
      let [slope, j, total] = [0, 0, 0];
      mixed.forEach((item, place) => {
        const at = (x: number) => item.c + (1 - item.c) / (1 + Math.exp(-item.a * (x - item.b)));
        const [p, first] = [at(theta), (at(theta + h) - at(theta - h)) / (2 * h)];
        const second = (at(theta + h) - 2 * p + at(theta - h)) / (h * h);
        slope += ((Number(given[place]) - p) * first) / (p * (1 - p));
        j += (first * second) / (p * (1 - p));
        total += first ** 2 / (p * (1 - p));
      });
      return slope + j / (2 * total);
    };
    for (const given of [scores, [1, 1, 1, 1, 1], [1, 0, 1, 1, 0]] as Score[][]) {
      const estimate = wle(mixed, given);
      if ("noEstimate" in estimate) throw new Error("estimate wanted");
      expect(Math.abs(slopeAt(estimate.theta, given))).toBeLessThan(1e-4);
      expect(slopeAt(estimate.theta - 0.05, given)).toBeGreaterThan(0);
    }
  });

  it("wle takes the root of the higher weighted likelihood, found by integrating its slope on a fine grid", () => {
    const items: ItemParameters[] = [
      { a: 3, b: -2, c: 0 },
      { a: 3, b: -1.8, c: 0 },
      { a: 3, b: 2, c: 0.3 },
      { a: 3, b: 2.2, c: 0.3 },
    ];
    const given: Score[] = [1, 0, 1, 1];
    let [best, highest, logWeight] = [0, Number.NEGATIVE_INFINITY, 0];
    const step = 0.002;
    for (let theta = -6; theta < 6; theta += step) {
      let [j, total, log] = [0, 0, 0];
      items.forEach((item, place) => {
        const l = 1 / (1 + Math.exp(-item.a * (theta - item.b)));
        const p = item.c + (1 - item.c) * l;
        const first = (1 - item.c) * item.a * l * (1 - l);
        j += (first * first * item.a * (1 - 2 * l)) / (p * (1 - p));
        total += first ** 2 / (p * (1 - p));
        log += Math.log(given[place] === 1 ? p : 1 - p);
      });
      logWeight += (j / (2 * total)) * step;
      if (log + logWeight > highest) [best, highest] = [theta, log + logWeight];
    }
    expect(wle(items, given)).toMatchObject({ theta: expect.closeTo(best, 1) });
  });

  it("finds the higher of two maxima", () => {
    const items: ItemParameters[] = [
      { a: 3, b: -2, c: 0 },
      { a: 3, b: -1.8, c: 0 },
      { a: 3, b: 2, c: 0.3 },
      { a: 3, b: 2.2, c: 0.3 },
    ];
    const given: Score[] = [1, 0, 1, 1];
    const estimate = mle(items, given);
    if ("noEstimate" in estimate) throw new Error("estimate wanted");
    const likelihood = (theta: number) =>
      items.reduce(
        (product, item, place) =>
          product * (given[place] === 1 ? probability(theta, item) : 1 - probability(theta, item)),
        1,
      );
    for (let theta = -6; theta < 6; theta += 0.05)
      expect(likelihood(estimate.theta)).toBeGreaterThanOrEqual(likelihood(theta) - 1e-12);
  });

  it("map lies between prior and likelihood, and its slope is zero", () => {
    const estimate = map(mixed, scores, { mean: 0, sd: 1 });
    const logPosterior = (theta: number) =>
      mixed.reduce(
        (sum, item, place) =>
          sum + Math.log(scores[place] === 1 ? probability(theta, item) : 1 - probability(theta, item)),
        0,
      ) -
      theta ** 2 / 2;
    for (const shift of [-0.01, 0.01])
      expect(logPosterior(estimate.theta + shift)).toBeLessThan(logPosterior(estimate.theta));
    expect(estimate.se).toBeCloseTo(1 / Math.sqrt(testInformation(estimate.theta, mixed) + 1), 12);
    expect(map([], [], { mean: -0.3, sd: 0.7 })).toEqual({
      theta: expect.closeTo(-0.3, 9),
      se: expect.closeTo(0.7, 9),
      n: 0,
    });
    expect(map(same(5), rightOf(5, 5), { mean: 2, sd: 0.5 }).theta).toBeGreaterThan(2);
    expect(() => map(mixed, scores, { mean: 0, sd: -1 })).toThrow(/sd > 0/);
  });
});

describe("the scale", () => {
  it("is 500 at the end of grade 6 and 50 a logit", () => {
    expect(scaleScore({ theta: 0, se: 0.3 })).toEqual({ score: 500, se: 15 });
    expect(scaleScore({ theta: -1.5, se: 0 }).score).toBe(425);
    expect(() => scaleScore({ theta: Number.NaN, se: 0 })).toThrow(/finite/);
  });

  it("spans half a logit a grade, and the band takes the error along", () => {
    expect(gradeBand({ theta: 0, se: 0 })).toEqual({ from: 6, to: 6 });
    expect(gradeBand({ theta: 0.01, se: 0 })).toEqual({ from: 7, to: 7 });
    expect(gradeBand({ theta: -0.25, se: 0.3 })).toEqual({ from: 5, to: 7 });
    expect(gradeBand({ theta: -9, se: 1 })).toEqual({ from: 0, to: 0 });
    expect(gradeBand({ theta: 9, se: 0 })).toEqual({ from: 12, to: 12 });
    expect(gradePrior(6)).toEqual({ mean: -0.25, sd: 1 });
    expect(gradePrior(8).mean).toBeCloseTo(0.75, 12);
  });

  it("tells a place in the sequence with the skills within its error", () => {
    const skills = [
      { id: "c", difficulty: 1 },
      { id: "a", difficulty: -1 },
      { id: "b", difficulty: 0 },
    ];
    expect(scalePlace({ theta: 0.2, se: 0.1 }, skills)).toEqual({ nearest: "b", from: "b", to: "b" });
    expect(scalePlace({ theta: 0.4, se: 0.6 }, skills)).toEqual({ nearest: "b", from: "b", to: "c" });
    expect(scalePlace({ theta: 0.6, se: 1.6 }, skills)).toEqual({ nearest: "c", from: "a", to: "c" });
    expect(scalePlace({ theta: 0, se: 1 }, [])).toBeNull();
  });
});

describe("the expected ability is exact to 1e-4", () => {
  /** Posterior mean and deviation by 400,000 strips. */
  function inStrips(items: readonly ItemParameters[], scores: readonly Score[], mean: number, sd: number) {
    const strips = 400_000;
    let [mass, first, second] = [0, 0, 0];
    const logAt = (theta: number) =>
      items.reduce(
        (sum, { a, b, c }, place) => {
          const x = a * (theta - b);
          const wrong = Math.log(1 - c) - (x > 0 ? x + Math.log1p(Math.exp(-x)) : Math.log1p(Math.exp(x)));
          return sum + (scores[place] === 1 ? Math.log(1 - Math.exp(wrong)) : wrong);
        },
        -((theta - mean) ** 2) / (2 * sd * sd),
      );
    const thetas = Array.from({ length: 401 }, (_, n) => mean + sd * (n / 200 - 1) * 6);
    const highest = Math.max(...thetas.map(logAt).filter(Number.isFinite));
    for (let n = 0; n <= strips; n++) {
      const theta = mean + sd * ((2 * n) / strips - 1) * 6;
      const weight = Math.exp(logAt(theta) - highest);
      mass += weight;
      first += weight * theta;
      second += weight * theta * theta;
    }
    return { theta: first / mass, se: Math.sqrt(second / mass - (first / mass) ** 2) };
  }

  const many = Array.from({ length: 30 }, (_, n) => ({ a: 4, b: -1.5 + n * 0.1, c: 0 }));
  it.each([
    ["one item as sharp as a step", [{ a: 30, b: 0.37, c: 0 }], [1], 0, 1],
    [
      "two steps, one of them guessable",
      [
        { a: 25, b: -0.5, c: 0 },
        { a: 25, b: 0.4, c: 0.25 },
      ],
      [1, 0],
      0,
      1,
    ],
    [
      "a prior eight logits wide",
      [
        { a: 1.4, b: 0, c: 0 },
        { a: 1.4, b: 1, c: 0 },
      ],
      [1, 0],
      0,
      8,
    ],
    ["thirty sharp items", many, many.map(({ b }) => (b < 0.5 ? 1 : 0)), 0, 1],
    ["thirty sharp items and a wide prior", many, many.map(({ b }) => (b < 0.5 ? 1 : 0)), -1, 6],
  ] as const)("%s", (_, items, scores, mean, sd) => {
    const found = eap(items, scores, { mean, sd });
    const wanted = inStrips(items, scores, mean, sd);
    expect(Math.abs(found.theta - wanted.theta)).toBeLessThan(1e-4);
    expect(Math.abs(found.se - wanted.se)).toBeLessThan(1e-4);
  });
});
