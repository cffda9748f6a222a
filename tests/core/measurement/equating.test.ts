import { describe, expect, it } from "vitest";
import { equipercentileEquating } from "@/core/measurement/equipercentileEquating";
import { type EquatedScore, linearEquating } from "@/core/measurement/linearEquating";
import { seededRandom } from "@/core/numeric/seededRandom";

const counted = (counts: readonly number[]) =>
  counts.flatMap((count, score) => Array.from({ length: count }, () => score));

function equated(result: EquatedScore | { readonly noEstimate: string }): EquatedScore {
  if ("noEstimate" in result) throw new Error(result.noEstimate);
  return result;
}

/** Skewed scores of two forms of 20 items. */
function groups(n: number, seed: string): [number[], number[]] {
  const random = seededRandom(seed);
  const form = (ease: number) =>
    Array.from({ length: n }, () => {
      const able = ease * Math.sqrt(random());
      return Array.from({ length: 20 }, () => (random() < able ? 1 : 0)).reduce((sum: number, mark) => sum + mark, 0);
    });
  return [form(0.9), form(0.75)];
}

/** Standard error by drawing both groups anew from themselves (Efron 1979). */
function bootstrapped(by: typeof linearEquating | typeof equipercentileEquating, score: number): number {
  const random = seededRandom("resample");
  const [first, second] = groups(400, "groups");
  const drawn = (from: readonly number[]) => from.map(() => from[Math.floor(random() * from.length)] ?? 0);
  const scores = Array.from({ length: 600 }, () => equated(by(score, drawn(first), drawn(second))).score);
  const centre = scores.reduce((sum, one) => sum + one, 0) / scores.length;
  return Math.sqrt(scores.reduce((sum, one) => sum + (one - centre) ** 2, 0) / (scores.length - 1));
}

describe("equating by mean and spread", () => {
  it("keeps the distance from the mean in standard deviations", () => {
    // Means 2 and 5, both with the spread of 0, 1, …; the second doubled.
    const first = counted([2, 3, 4, 3, 2]);
    const second = first.map((score) => 2 * score + 1);
    expect(equated(linearEquating(3, first, second)).score).toBeCloseTo(7, 12);
    expect(equated(linearEquating(2, first, second)).score).toBeCloseTo(5, 12);
  });

  it("has the error that drawing the groups anew shows, in the middle and at the side", () => {
    const [first, second] = groups(400, "groups");
    for (const score of [8, 12, 18]) {
      const { se } = equated(linearEquating(score, first, second));
      expect(se / bootstrapped(linearEquating, score)).toBeGreaterThan(0.88);
      expect(se / bootstrapped(linearEquating, score)).toBeLessThan(1.12);
    }
  });

  it("says nothing for few students or where all have one score", () => {
    expect(linearEquating(3, [1, 2], counted([5, 5]))).toEqual({ noEstimate: "too-few-students" });
    expect(linearEquating(3, counted([5, 5]), counted([10]))).toEqual({ noEstimate: "no-variance" });
  });
});

describe("equating by percentile ranks", () => {
  it("gives the worked example by hand: shares .2 .3 .2 .2 .1 against .1 .2 .2 .3 .2", () => {
    const first = counted([20, 30, 20, 20, 10]);
    const second = counted([10, 20, 20, 30, 20]);
    // Ranks .10, .35, .60, .80, .95; the first lies where the share .1 ends, the second 5 of 20 into score 2, and so on.
    for (const [score, wanted] of [0.5, 1.75, 2.8333, 3.5, 4.25].entries())
      expect(equated(equipercentileEquating(score, first, second)).score).toBeCloseTo(wanted, 4);
  });

  it("is the same as by mean and spread where the second form only adds points", () => {
    const first = counted([2, 5, 9, 5, 2]);
    const second = first.map((score) => score + 3);
    for (const score of [1, 2, 3])
      expect(equated(equipercentileEquating(score, first, second)).score).toBeCloseTo(
        equated(linearEquating(score, first, second)).score,
        12,
      );
  });

  it("has the error that drawing the groups anew shows", () => {
    const [first, second] = groups(400, "groups");
    for (const score of [8, 12, 16]) {
      const { se } = equated(equipercentileEquating(score, first, second));
      expect(se / bootstrapped(equipercentileEquating, score)).toBeGreaterThan(0.8);
      expect(se / bootstrapped(equipercentileEquating, score)).toBeLessThan(1.2);
    }
  });

  it("says nothing for few students, beyond everybody's score, and nothing for half points", () => {
    const first = counted([0, 5, 5]);
    expect(equipercentileEquating(1, [1], first)).toEqual({ noEstimate: "too-few-students" });
    expect(equipercentileEquating(0, first, first)).toEqual({ noEstimate: "beyond-the-scores" });
    expect(equipercentileEquating(3, first, first)).toEqual({ noEstimate: "beyond-the-scores" });
    expect(() => equipercentileEquating(1.5, first, first)).toThrow(/whole numbers/);
  });
});
