import { describe, expect, it } from "vitest";
import { calibrate } from "@/core/measurement/calibrate";
import type { ItemParameters } from "@/core/measurement/item";
import { type ItemFit, itemFit } from "@/core/measurement/itemFit";
import { probability } from "@/core/measurement/probability";
import { scoreDistribution } from "@/core/measurement/scoreDistribution";
import type { Score } from "@/core/model/score";
import { seededRandom } from "@/core/numeric/seededRandom";
import { normal } from "~/demo/learner";
import { lawSchoolScores7 } from "~/tests/reference/lawSchoolSections";

const STANDARD = { mean: 0, sd: 1 };

function fits(results: ReturnType<typeof itemFit>): ItemFit[] {
  return results.map((result) => {
    if ("noEstimate" in result) throw new Error(result.noEstimate);
    return result;
  });
}

describe("how many right", () => {
  it("is as likely as all patterns of so many right together", () => {
    const chances = [0.2, 0.5, 0.9, 0.35];
    const byCounting = new Array<number>(5).fill(0);
    for (let pattern = 0; pattern < 16; pattern++) {
      const marks = chances.map((_, j) => (pattern >> j) & 1);
      const right = marks.filter(Boolean).length;
      const share = chances.reduce((product, chance, j) => product * (marks[j] ? chance : 1 - chance), 1);
      byCounting[right] = (byCounting[right] ?? 0) + share;
    }
    scoreDistribution(chances).forEach((share, right) => {
      expect(share).toBeCloseTo(byCounting[right] ?? 0, 14);
    });
  });
});

describe("fit of an item's curve", () => {
  it("is the published one for the law-school section 7 under the two-parameter model", () => {
    const found = calibrate(lawSchoolScores7, { model: "2pl" });
    if ("noEstimate" in found) throw new Error(found.noEstimate);
    const wanted = [
      { chiSquare: 4.749, p: 0.093 },
      { chiSquare: 14.451, p: 0.001 },
      { chiSquare: 1.27, p: 0.53 },
      { chiSquare: 5.238, p: 0.073 },
      { chiSquare: 0.941, p: 0.625 },
    ];
    fits(itemFit(lawSchoolScores7, found.items, STANDARD, 2)).forEach((fit, j) => {
      expect(fit.degreesOfFreedom).toBe(2);
      expect(fit.chiSquare).toBeCloseTo(wanted[j]?.chiSquare ?? 0, 2);
      expect(fit.p).toBeCloseTo(wanted[j]?.p ?? 0, 2);
    });
  });

  const items: ItemParameters[] = Array.from({ length: 12 }, (_, j) => ({ a: 1.1, b: -1.65 + j * 0.3, c: 0 }));
  const answersOf = (seed: string, students: number, curve: (theta: number, j: number) => number) => {
    const random = seededRandom(seed);
    return Array.from({ length: students }, () => {
      const theta = normal(random, 0, 1);
      return items.map((_, j): Score => (random() < curve(theta, j) ? 1 : 0));
    });
  };
  const asDescribed = (theta: number, j: number) => probability(theta, items[j] ?? { a: 1, b: 0, c: 0 });

  it("calls about one in twenty of sound items at the five-percent line, and the one with another curve", () => {
    const called = Array.from({ length: 20 }, (_, n) =>
      fits(itemFit(answersOf(`sound ${n}`, 500, asDescribed), items, STANDARD, 0)).filter(({ p }) => p < 0.05),
    ).flat().length;
    // 240 items: 12 awaited, with a standard deviation of 3.4.
    expect(called).toBeGreaterThan(2);
    expect(called).toBeLessThan(23);
    const flat = (theta: number, j: number) => (j === 5 ? 0.35 + 0.3 / (1 + Math.exp(-theta)) : asDescribed(theta, j));
    const found = fits(itemFit(answersOf("flat", 800, flat), items, STANDARD, 0));
    expect(found[5]?.p).toBeLessThan(0.001);
    expect(found.filter(({ p }) => p < 0.001)).toHaveLength(1);
  });

  it("puts small groups together, and counts every student between the extremes once", () => {
    const scores = answersOf("small", 60, asDescribed);
    const between = scores.filter((row) => ![0, 12].includes(row.filter((score) => score === 1).length)).length;
    for (const { groups } of fits(itemFit(scores, items, STANDARD, 0))) {
      expect(groups.reduce((sum, { students }) => sum + students, 0)).toBe(between);
      for (const { students, expected } of groups) {
        expect(students * expected).toBeGreaterThanOrEqual(1);
        expect(students * (1 - expected)).toBeGreaterThanOrEqual(1);
      }
    }
  });

  it("says nothing where nobody was given all items, or where too few were", () => {
    const two = items.slice(0, 2);
    expect(itemFit([[1, null]], two, STANDARD, 0)).toEqual([
      { noEstimate: "no-complete-answers" },
      { noEstimate: "no-complete-answers" },
    ]);
    expect(itemFit([[1, 1]], two, STANDARD, 0)[0]).toEqual({ noEstimate: "too-few-answers" });
    expect(() => itemFit([[1]], two, STANDARD, 0)).toThrow(/two items/);
  });
});
