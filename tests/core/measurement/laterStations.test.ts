import { describe, expect, it } from "vitest";
import { expectedScore } from "@/core/measurement/expectedScore";
import { information } from "@/core/measurement/information";
import { carriedOver, linkByCurves, linkByMeanSigma } from "@/core/measurement/linkScales";
import { expectedPoints, pointChances, pointInformation } from "@/core/measurement/partialCredit";
import { probability } from "@/core/measurement/probability";
import { equatedScore } from "@/core/measurement/trueScoreEquating";
import { weightedKappa } from "@/core/measurement/weightedKappa";

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
