import { describe, expect, it } from "vitest";
import { composite, strandPrior } from "@/core/measurement/correlatedStrands";
import { eap } from "@/core/measurement/eap";
import { expectedScore } from "@/core/measurement/expectedScore";
import { information } from "@/core/measurement/information";
import { carriedOver, linkByCurves, linkByMeanSigma } from "@/core/measurement/linkScales";
import { localDependence } from "@/core/measurement/localDependence";
import { abilityFromPoints, expectedPoints, pointChances, pointInformation } from "@/core/measurement/partialCredit";
import { percentileOnDay } from "@/core/measurement/percentileOnDay";
import { probability } from "@/core/measurement/probability";
import { equatedScore } from "@/core/measurement/trueScoreEquating";
import { weightedKappa } from "@/core/measurement/weightedKappa";
import type { Score } from "@/core/model/score";
import { seededRandom } from "@/core/numeric/seededRandom";

describe("partial credit", () => {
  it("is the two-parameter model with one step", () => {
    for (const theta of [-2, 0.3, 4]) {
      expect(pointChances(theta, { a: 1.3, steps: [0.4] })[1]).toBeCloseTo(
        probability(theta, { a: 1.3, b: 0.4, c: 0 }),
        12,
      );
      expect(pointInformation(theta, { a: 1.3, steps: [0.4] })).toBeCloseTo(
        information(theta, { a: 1.3, b: 0.4, c: 0 }),
        12,
      );
    }
  });

  it("gives the chances of a worked example: steps -0.5 and 1 at ability 0.5, slope 1", () => {
    // Heights 0, 1, 1 - 0.5: e to them 1, 2.71828, 1.64872, together 5.36700.
    const chances = pointChances(0.5, { a: 1, steps: [-0.5, 1] });
    for (const [points, wanted] of [0.18632, 0.50648, 0.3072].entries()) expect(chances[points]).toBeCloseTo(wanted, 4);
    expect(expectedPoints(0.5, { a: 1, steps: [-0.5, 1] })).toBeCloseTo(0.50648 + 2 * 0.3072, 4);
  });

  it("places a student as right-wrong items do where they have one step, and by the sums of strips where more", () => {
    const steps = [
      { a: 1.2, steps: [0.3] },
      { a: 0.9, steps: [-0.5] },
    ];
    const same = eap(
      steps.map(({ a, steps: [b = 0] }) => ({ a, b, c: 0 })),
      [1, 0],
      { mean: 0.2, sd: 1.1 },
    );
    const found = abilityFromPoints(steps, [1, 0], { mean: 0.2, sd: 1.1 });
    expect(found.theta).toBeCloseTo(same.theta, 9);
    expect(found.se).toBeCloseTo(same.se, 9);
    const items = [
      { a: 1.1, steps: [-1, 0.5, 0.2] },
      { a: 1.6, steps: [0, 1] },
    ];
    let [mass, first, second] = [0, 0, 0];
    for (let theta = -8; theta <= 8; theta += 0.001) {
      const powers = (item: { a: number; steps: number[] }) =>
        [
          0,
          ...item.steps.map((_, n) =>
            item.steps.slice(0, n + 1).reduce((sum, step) => sum + item.a * (theta - step), 0),
          ),
        ].map(Math.exp);
      const chance = (item: { a: number; steps: number[] }, earned: number) =>
        (powers(item)[earned] ?? 0) / powers(item).reduce((sum, one) => sum + one, 0);
      const weight =
        Math.exp((-theta * theta) / 2) * items.reduce((all, item, n) => all * chance(item, [2, 2][n] ?? 0), 1);
      mass += weight;
      first += weight * theta;
      second += weight * theta * theta;
    }
    const placed = abilityFromPoints(items, [2, 2], { mean: 0, sd: 1 });
    expect(placed.theta).toBeCloseTo(first / mass, 4);
    expect(placed.se).toBeCloseTo(Math.sqrt(second / mass - (first / mass) ** 2), 4);
    expect(abilityFromPoints(items, [null, 1], { mean: 0, sd: 1 }).n).toBe(1);
    expect(() => abilityFromPoints(items, [4, 0], { mean: 0, sd: 1 })).toThrow(/those of the item/);
  });

  it("has as information what its expected points rise by, times the slope", () => {
    const item = { a: 1.4, steps: [0.8, -0.3, 1.1] };
    for (const theta of [-1, 0, 0.7, 2]) {
      const rise = (expectedPoints(theta + 1e-5, item) - expectedPoints(theta - 1e-5, item)) / 2e-5;
      expect(pointInformation(theta, item)).toBeCloseTo(1.4 * rise, 6);
    }
    expect(pointChances(900, item).every(Number.isFinite)).toBe(true);
    expect(() => pointChances(0, { a: 0, steps: [1] })).toThrow(/a > 0/);
  });
});

describe("agreement of two raters", () => {
  const cells = [
    [20, 5, 1],
    [3, 15, 4],
    [0, 2, 10],
  ];
  const pairs = cells.flatMap((row, one) =>
    row.flatMap((count, other) => Array.from({ length: count }, () => [one, other] as const)),
  );

  it("equals the intraclass correlation that quadratic weights make of it (Fleiss & Cohen 1973)", () => {
    const found = weightedKappa(pairs, 2);
    if ("noEstimate" in found) throw new Error("estimate wanted");
    const [xs, ys] = [pairs.map(([x]) => x), pairs.map(([, y]) => y)];
    const mean = (values: readonly number[]) => values.reduce((sum, value) => sum + value, 0) / values.length;
    const [mx, my] = [mean(xs), mean(ys)];
    const covariance = mean(pairs.map(([x, y]) => (x - mx) * (y - my)));
    const spread = mean(xs.map((x) => (x - mx) ** 2)) + mean(ys.map((y) => (y - my) ** 2)) + (mx - my) ** 2;
    expect(found.kappa).toBeCloseTo((2 * covariance) / spread, 12);
    expect(found).toMatchObject({ exact: 0.75, adjacent: expect.closeTo(59 / 60, 12), n: 60 });
    expect(found.se).toBeGreaterThan(0.03);
    expect(found.se).toBeLessThan(0.1);
  });

  it("is nothing for too few, or where there is nothing to tell apart", () => {
    expect(weightedKappa([[1, 1]], 3)).toEqual({ noEstimate: "too-few-pairs" });
    expect(
      weightedKappa(
        [
          [1, 1],
          [1, 1],
        ],
        3,
      ),
    ).toEqual({ noEstimate: "no-variance" });
    expect(() => weightedKappa([[0, 4]], 3)).toThrow(/whole numbers/);
  });
});

describe("scales and forms put onto each other", () => {
  const old = [-1.2, -0.4, 0.1, 0.9, 1.6].map((b, n) => ({ a: 0.8 + n * 0.2, b, c: n % 2 === 0 ? 0.2 : 0 }));
  const link = { slope: 1.25, shift: -0.4 };
  const back = { slope: 1 / link.slope, shift: -link.shift / link.slope };
  const fresh = old.map((item) => carriedOver(item, back));

  it("finds the slope and the shift of a scale that was only stretched and moved", () => {
    for (const found of [linkByMeanSigma(fresh, old), linkByCurves(fresh, old)])
      expect(found).toEqual({ slope: expect.closeTo(1.25, 8), shift: expect.closeTo(-0.4, 8) });
    expect(linkByMeanSigma(fresh.slice(0, 1), old.slice(0, 1))).toEqual({ noEstimate: "too-few-anchors" });
  });

  it("brings the anchor's curves as near as a search of all slopes and shifts around", () => {
    const noisy = fresh.map((item, n) => ({
      ...item,
      b: item.b + (n % 2 === 0 ? 0.15 : -0.1),
      a: item.a * (n === 2 ? 1.3 : 1),
    }));
    const found = linkByCurves(noisy, old);
    if ("noEstimate" in found) throw new Error("link wanted");
    const distance = (one: { slope: number; shift: number }) => {
      let sum = 0;
      for (let theta = -4; theta <= 4.01; theta += 0.2)
        sum +=
          (expectedScore(
            theta,
            noisy.map((item) => carriedOver(item, one)),
          ) -
            expectedScore(theta, old)) **
          2;
      return sum;
    };
    let best = Number.POSITIVE_INFINITY;
    for (let slope = 0.9; slope < 1.6; slope += 0.02)
      for (let shift = -0.8; shift < 0; shift += 0.02) best = Math.min(best, distance({ slope, shift }));
    expect(distance(found)).toBeLessThanOrEqual(best);
  });

  it("equates a score through the ability behind it", () => {
    const form = (b: number, n: number) => Array.from({ length: n }, () => ({ a: 1, b, c: 0 }));
    // 6 of 10 items of difficulty 0: ability ln 1.5; of 20 items of difficulty 0.5 that gets 20 / (1 + e^(0.5 - 0.405465)).
    expect(equatedScore(6, form(0, 10), form(0.5, 20))).toBeCloseTo(20 / (1 + Math.exp(0.5 - Math.log(1.5))), 9);
    expect(equatedScore(3, old, old)).toBeCloseTo(3, 9);
    expect(equatedScore(0.5, old, old)).toEqual({ noEstimate: "no-ability" });
    expect(equatedScore(5, old, old)).toEqual({ noEstimate: "no-ability" });
  });
});

describe("local dependence", () => {
  it("marks the two items of a passage that hang together, and no others", () => {
    const random = seededRandom("passage");
    const items = Array.from({ length: 6 }, (_, n) => ({ a: 1.2, b: -0.75 + n * 0.3, c: 0 }));
    const abilities = Array.from({ length: 600 }, () =>
      Array.from({ length: 12 }, random).reduce((sum, x) => sum + x, -6),
    );
    const scores = abilities.map((theta) => {
      // Whoever misread the passage has both of its items wrong more often.
      const understood = Array.from({ length: 12 }, random).reduce((sum, x) => sum + x, -6) * 1.5;
      return items.map(
        (item, j): Score => (random() < probability(theta + (j === 2 || j === 3 ? understood : 0), item) ? 1 : 0),
      );
    });
    expect(localDependence(scores, abilities, items).map(({ first, second }) => [first, second])).toEqual([[2, 3]]);
    expect(localDependence(scores.slice(0, 20), abilities.slice(0, 20), items)).toEqual([]);
    expect(() => localDependence(scores, [], items)).toThrow(/ability/);
  });
});

describe("strands that go together", () => {
  const population = {
    means: [0, 0.2, -0.1],
    sds: [1, 1, 1.2],
    correlations: [
      [1, 0.7, 0.5],
      [0.7, 1, 0.6],
      [0.5, 0.6, 1],
    ],
  };

  it("take from two measured ones what a regression by hand gives", () => {
    // Strand 2 from strands 0 (1.0, error 0.3) and 1 (0.6, error 0.4): covariances 0.6 and 0.72 with it, 1.09, 1.16 and 0.7 among them.
    const determinant = 1.09 * 1.16 - 0.7 ** 2;
    const [w0, w1] = [(1.16 * 0.6 - 0.7 * 0.72) / determinant, (1.09 * 0.72 - 0.7 * 0.6) / determinant];
    const { mean, sd } = strandPrior(2, [{ theta: 1, se: 0.3 }, { theta: 0.6, se: 0.4 }, null], population);
    expect(mean).toBeCloseTo(-0.1 + w0 * 1 + w1 * 0.4, 12);
    expect(sd).toBeCloseTo(Math.sqrt(1.44 - w0 * 0.6 - w1 * 0.72), 12);
  });

  it("stay what they are where nothing was measured, and make a composite with its error", () => {
    expect(strandPrior(1, [null, null, null], population)).toEqual({ mean: 0.2, sd: 1 });
    const { theta, se } = composite(
      [
        { theta: 1, se: 0.3 },
        { theta: 0, se: 0.4 },
      ],
      [3, 1],
    );
    expect(theta).toBeCloseTo(0.75, 12);
    expect(se).toBeCloseTo(Math.hypot(0.225, 0.1), 12);
    expect(() => composite([], [])).toThrow(/weight/);
  });
});

describe("norms between two testing windows", () => {
  const table = (shift: number) => [10, 20, 30].map((score, n) => ({ score: score + shift, percentile: 10 + n * 30 }));
  const seasons = [
    { day: 100, norms: table(0) },
    { day: 200, norms: table(5) },
  ];

  it("weigh the two tables by the day, hold before and after, and carry the score's error", () => {
    expect(percentileOnDay(20, 2, 100, seasons)).toEqual({ percentile: 40, low: 34, high: 46, beyond: null });
    expect(percentileOnDay(20, 0, 200, seasons).percentile).toBe(25);
    expect(percentileOnDay(20, 0, 150, seasons).percentile).toBe(32.5);
    expect(percentileOnDay(20, 0, 50, seasons).percentile).toBe(40);
    expect(percentileOnDay(20, 0, 900, seasons).percentile).toBe(25);
    expect(percentileOnDay(5, 0, 100, seasons)).toMatchObject({ percentile: 10, beyond: "below" });
    expect(() => percentileOnDay(5, 0, 100, [...seasons].reverse())).toThrow(/rising days/);
  });
});
