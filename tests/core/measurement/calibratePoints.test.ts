import { describe, expect, it } from "vitest";
import { calibrate } from "@/core/measurement/calibrate";
import { calibratePoints } from "@/core/measurement/calibratePoints";
import { probability } from "@/core/measurement/probability";
import type { Score } from "@/core/model/score";
import { seededRandom } from "@/core/numeric/seededRandom";
import { normal } from "~/demo/learner";
import { lawSchoolScores } from "~/tests/reference/lawSchoolSections";
import reference from "~/tests/reference/pointsCalibration.json";

function done<T extends object>(result: T): Exclude<T, { readonly noEstimate: string }> {
  if ("noEstimate" in result) throw new Error(String(result.noEstimate));
  return result as Exclude<T, { readonly noEstimate: string }>;
}

/** One row a student, from patterns with their number of students at the end. */
const rowsOf = (patterns: readonly (readonly number[])[]) =>
  patterns.flatMap((pattern) => Array.from({ length: pattern.at(-1) ?? 0 }, () => pattern.slice(0, -1)));

describe("calibration of items of several points", () => {
  const { highest } = reference;
  const truth = new Map([
    [0, { a: 0.9, steps: [-1, 0.4] }],
    [2, { a: 1.1, steps: [0.3] }],
  ]);

  for (const [name, { patterns, items, logLikelihood, population }, anchors] of [
    ["alone", reference.free, new Map()],
    ["on fixed anchors, the population estimated", reference.anchored, truth],
  ] as const)
    it(`${name}: estimates and errors of another program that maximises the likelihood as a whole`, () => {
      const found = done(calibratePoints(rowsOf(patterns), { highest, anchors }));
      expect(found).toMatchObject({ converged: true, students: 600 });
      expect(found.logLikelihood).toBeCloseTo(logLikelihood, 2);
      found.items.forEach((item, j) => {
        const wanted = items[j];
        expect(item.a).toBeCloseTo(wanted?.a ?? 0, 3);
        expect(item.seA).toBeCloseTo(wanted?.seA ?? 0, 3);
        item.steps.forEach((step, n) => {
          expect(step).toBeCloseTo(wanted?.steps[n] ?? 0, 3);
          expect(item.seSteps[n]).toBeCloseTo(wanted?.seSteps[n] ?? 0, 3);
        });
      });
      for (const [key, value] of Object.entries(population ?? { mean: 0, sd: 1, seMean: 0, seSd: 0 }))
        expect(found.population[key as "mean"], key).toBeCloseTo(value, 3);
    });

  it("is the two-parameter model where every item has one point, and the one-slope model with a common slope", () => {
    const twoWays = [
      [calibratePoints(lawSchoolScores, { highest: [1, 1, 1, 1, 1] }), "2pl"],
      [calibratePoints(lawSchoolScores, { highest: [1, 1, 1, 1, 1], commonSlope: true }), "rasch"],
    ] as const;
    for (const [result, model] of twoWays) {
      const rightWrong = done(calibrate(lawSchoolScores, { model }));
      done(result).items.forEach((item, j) => {
        expect(item.a).toBeCloseTo(rightWrong.items[j]?.a ?? 0, 3);
        expect(item.steps[0]).toBeCloseTo(rightWrong.items[j]?.b ?? 0, 3);
        expect(item.seSteps[0]).toBeCloseTo(rightWrong.items[j]?.se ?? 0, 3);
      });
    }
  });

  it("refuses with the items in the way: few answers, points that nobody earned, a single item, senseless points", () => {
    const rows = rowsOf(reference.free.patterns);
    expect(calibratePoints([], { highest })).toEqual({ noEstimate: "no-answers", items: [] });
    expect(calibratePoints([[1]], { highest: [1] })).toEqual({ noEstimate: "too-few-items", items: [0] });
    expect(calibratePoints(rows.slice(0, 90), { highest })).toEqual({
      noEstimate: "too-few-answers",
      items: [0, 1, 2, 3, 4],
    });
    const noTwos = rows.map(([first = 0, ...rest]) => [first === 2 ? 1 : first, ...rest]);
    expect(calibratePoints(noTwos, { highest })).toEqual({ noEstimate: "points-never-earned", items: [0] });
    expect(() => calibratePoints([[1, 3]], { highest: [1, 2] })).toThrow(/item's points/);
    expect(() => calibratePoints([[1, 0]], { highest: [1, 0] })).toThrow(/1 or more/);
    expect(() => calibratePoints([[1, 0]], { highest: [1, 1], population: { mean: 0, sd: 0 } })).toThrow(/sd > 0/);
    expect(done(calibratePoints(rows, { highest, mostCycles: 1 })).converged).toBe(false);
  });
});

describe("new right-wrong items on an existing scale", () => {
  const truth = [0.8, 1.2, 1.5, 1, 0.9, 1.3].map((a, j) => ({ a, b: -1.2 + j * 0.5, c: j % 2 === 0 ? 0 : 0.2 }));
  const random = seededRandom("anchored");
  const scores = Array.from({ length: 2500 }, () => {
    const theta = normal(random, 0.7, 1.2);
    return truth.map((item): Score => (random() < probability(theta, item) ? 1 : 0));
  });

  it("lie where they truly lie, guessed anchors among them, and the group is found a shade abler and wider", () => {
    const anchors = new Map([0, 1, 3, 5].map((j) => [j, truth[j] ?? { a: 1, b: 0, c: 0 }]));
    const { items, population, converged } = done(calibrate(scores, { model: "2pl", anchors }));
    expect(converged).toBe(true);
    for (const j of anchors.keys()) expect(items[j]).toMatchObject({ ...truth[j], se: 0, seA: 0, seC: 0 });
    for (const j of [2, 4]) {
      const { a = 0, b = 0, se = 0, seA = 0 } = items[j] ?? {};
      expect(Math.abs(b - (truth[j]?.b ?? 0))).toBeLessThan(3 * se);
      expect(Math.abs(a - (truth[j]?.a ?? 0))).toBeLessThan(3 * seA);
      expect(se).toBeLessThan(0.2);
    }
    expect(Math.abs(population.mean - 0.7)).toBeLessThan(3 * population.seMean);
    expect(Math.abs(population.sd - 1.2)).toBeLessThan(3 * population.seSd);
    expect(population.seMean).toBeLessThan(0.05);
  });

  it("need answers of their own only: an anchor may have few", () => {
    const anchors = new Map([[0, truth[0] ?? { a: 1, b: 0, c: 0 }]]);
    const few = scores.map((row, n): Score[] => [n < 50 ? (row[0] ?? null) : null, ...row.slice(1)]);
    expect(done(calibrate(few, { model: "rasch", anchors })).items[0]?.answers).toBe(50);
  });
});
