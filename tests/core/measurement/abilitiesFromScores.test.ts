import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { abilitiesFromScores } from "@/core/measurement/abilitiesFromScores";
import { gradePrior } from "@/core/measurement/gradePrior";
import { mixedPrior } from "@/core/measurement/mixedPrior";
import { seededRandom } from "@/core/numeric/seededRandom";

const PRIOR = { mean: -0.25, sd: 1 };
const thetas = (scores: readonly number[], validity = 0.7) =>
  abilitiesFromScores(scores, PRIOR, validity)?.map(({ theta }) => theta) ?? [];

describe("abilities from scores of a test we know nothing of", () => {
  it("are the normal scores of the table of five, drawn to the middle", () => {
    // Normal scores by Blom's formula for n = 5: 1.1798, 0.4972, 0.
    const expected = [-1.1798, -0.4972, 0, 0.4972, 1.1798].map((z) => -0.25 + 0.7 * z);
    for (const [place, theta] of thetas([3, 8, 11, 12, 40]).entries())
      expect(theta).toBeCloseTo(expected[place] ?? 0, 3);
    expect(abilitiesFromScores([3, 8, 11, 12, 40], PRIOR, 0.7)?.[0]?.se).toBeCloseTo(Math.sqrt(1 - 0.49), 10);
  });

  it("hang on the order alone, give the same to the same, and lie around the grade", () => {
    const some = fc.array(fc.integer({ min: 0, max: 20 }), { minLength: 5, maxLength: 40 });
    fc.assert(
      fc.property(some, (scores) => {
        fc.pre(new Set(scores).size > 1);
        const own = thetas(scores);
        expect(thetas(scores.map((score) => Math.exp(score / 4)))).toEqual(own);
        for (const [i, x] of scores.entries())
          for (const [j, y] of scores.entries())
            expect(Math.sign((own[i] ?? 0) - (own[j] ?? 0))).toBe(Math.sign(x - y));
        expect(Math.abs(own.reduce((sum, theta) => sum + theta, 0) / own.length - PRIOR.mean)).toBeLessThan(0.25);
      }),
    );
  });

  it("tell nobody apart where all are alike, and refuse too few", () => {
    expect(abilitiesFromScores([4, 4, 4, 4, 4], PRIOR, 0.7)).toBeNull();
    expect(() => abilitiesFromScores([1, 2, 3, 4], PRIOR, 0.7)).toThrow("five scores");
    expect(() => abilitiesFromScores([1, 2, 3, 4, Number.NaN], PRIOR, 0.7)).toThrow("five scores");
    expect(() => abilitiesFromScores([1, 2, 3, 4, 5], PRIOR, 1)).toThrow("validity");
  });

  it("hold the true ability within one error in two of three, where the test measures it as supposed", () => {
    const random = seededRandom("scores");
    const normal = () => Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random());
    let within = 0;
    let all = 0;
    for (let list = 0; list < 60; list++) {
      const truths = Array.from({ length: 24 }, () => PRIOR.mean + normal());
      const scores = truths.map((truth) => 0.7 * (truth - PRIOR.mean) + Math.sqrt(1 - 0.49) * normal());
      for (const [place, { theta, se }] of (abilitiesFromScores(scores, PRIOR, 0.7) ?? []).entries()) {
        all++;
        if (Math.abs((truths[place] ?? 0) - theta) <= se) within++;
      }
    }
    expect(within / all).toBeGreaterThan(0.64);
    expect(within / all).toBeLessThan(0.72);
  });
});

describe("a prior of several grades", () => {
  it("has their mean and the spread of all of them; without a known grade it is any of one to eight", () => {
    const { mean, sd } = mixedPrior([5, 7, null]);
    expect(mean).toBeCloseTo((gradePrior(5).mean + gradePrior(7).mean) / 2, 10);
    expect(sd).toBeCloseTo(Math.hypot(1, (gradePrior(7).mean - gradePrior(5).mean) / 2), 10);
    expect(mixedPrior([6])).toEqual(gradePrior(6));
    expect(mixedPrior([null]).mean).toBeCloseTo((gradePrior(1).mean + gradePrior(8).mean) / 2, 10);
  });
});
