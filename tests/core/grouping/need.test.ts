import { describe, expect, it } from "vitest";
import { comparedChange } from "@/core/grouping/comparedChange";
import { needOf } from "@/core/grouping/needOf";
import { readiness } from "@/core/grouping/readiness";
import { reteachOutcome } from "@/core/grouping/reteachOutcome";
import { skillWeight } from "@/core/grouping/skillWeight";
import { worthDoingFirst } from "@/core/grouping/worthDoingFirst";
import { seededRandom } from "@/core/numeric/seededRandom";

describe("need", () => {
  it("is what is missing, as far as the student is ready, times the weight", () => {
    expect(needOf(0.25, 0.8, 1.15)).toBeCloseTo(0.75 * 0.8 * 1.15, 12);
    expect(needOf(1, 1, 1)).toBe(0);
  });

  it("counts readiness as the product of the prerequisites", () => {
    const chances = new Map([
      ["a", 0.5],
      ["b", 0.8],
    ]);
    expect(readiness([], chances)).toBe(1);
    expect(readiness(["a", "b"], chances)).toBeCloseTo(0.4, 12);
    expect(readiness(["a", "missing"], chances)).toBe(0);
  });

  it("weighs skills by their place in the plan and what they unlock", () => {
    expect(skillWeight(2, 6, 0)).toBe(1);
    expect(skillWeight(0, 6, 0)).toBe(1);
    expect(skillWeight(6, 6, 0)).toBe(0.8);
    expect(skillWeight(-1, 6, 0)).toBe(0.7);
    expect(skillWeight(40, 6, 0)).toBe(0.25);
    expect(skillWeight(2, 6, 2)).toBeCloseTo(1.3, 12);
    expect(skillWeight(2, 6, 9)).toBeCloseTo(1.45, 12);
  });
});

describe("outcome of a reteach", () => {
  const check = { right: 3, answered: 4, of: 4 };

  it.each([
    [{ chanceBefore: 0.2, chanceNow: 0.9, check: null }, "check-open"],
    [{ chanceBefore: 0.2, chanceNow: 0.9, check: { ...check, answered: 3 } }, "check-open"],
    [{ chanceBefore: 0.2, chanceNow: 0.8, check }, "learned"],
    [{ chanceBefore: 0.2, chanceNow: 0.79, check }, "closer"],
    [{ chanceBefore: 0.2, chanceNow: 0.9, check: { ...check, right: 2 } }, "closer"],
    [{ chanceBefore: 0.2, chanceNow: 0.34, check: { ...check, right: 2 } }, "round-again"],
  ] as const)("%o is %s", (student, verdict) => {
    expect(reteachOutcome(student)).toBe(verdict);
  });
});

describe("worth doing first", () => {
  const skill = (id: string, over = {}) => ({ id, mastery: 0.3, learning: 0.5, ready: 1, unlockedWeight: 0, ...over });
  it("ranks by gain per minute and says what fits into the minutes at hand", () => {
    const list = worthDoingFirst(
      [
        skill("not ready", { ready: 0 }),
        skill("half", { ready: 0.5 }),
        skill("key", { unlockedWeight: 0.3 }),
        skill("plain"),
      ],
      12,
    );
    expect(list.map(({ skillId, fits }) => [skillId, fits])).toEqual([
      ["key", true],
      ["plain", true],
      ["half", false],
    ]);
    expect(list[0]?.gainPerMinute).toBeCloseTo((1.3 * 0.7 * 0.5 * (1 - 0.84 ** 6)) / 5.4, 12);
    expect(list[0]).toMatchObject({
      before: 0.3,
      after: expect.closeTo(0.3 + 0.7 * 0.5 * (1 - 0.84 ** 6), 12),
      minutes: 5.4,
    });
    // In fewer minutes than a usual visit, a visit is as long as they are.
    expect(worthDoingFirst([skill("a")], 3)[0]).toMatchObject({
      fits: true,
      minutes: 3,
      after: expect.closeTo(0.3 + 0.7 * 0.5 * (1 - 0.84 ** 3), 12),
    });
    expect(worthDoingFirst([skill("a"), skill("b")], 5).map(({ fits }) => fits)).toEqual([true, false]);
    expect(worthDoingFirst([skill("done", { mastery: 1 })], 10)).toEqual([]);
    expect(() => worthDoingFirst([], -1)).toThrow(/0 or more/);
  });
});

describe("change against similar students", () => {
  const at = (before: number, after: number) => ({ before, after });
  it("is the difference of matched changes with its interval", () => {
    const others = [at(0.2, 0.3), at(0.22, 0.3), at(0.5, 0.5), at(0.9, 0.95)];
    // Matched: 0.2 with both low ones (mean change 0.09), 0.45 with 0.5 (0), 0.7 with nobody.
    const result = comparedChange([at(0.2, 0.6), at(0.45, 0.8), at(0.7, 0.9)], others);
    expect(result).toMatchObject({
      matched: 2,
      members: 3,
      similar: 3,
      change: 0.375,
      changeOfSimilar: expect.closeTo(0.045, 12),
    });
    if ("noEstimate" in result) throw new Error("estimate wanted");
    expect(result.difference).toBeCloseTo((0.31 + 0.35) / 2, 12);
    // By hand: variance 0.00125 / 2 of the members; of the others 0.0028, their weights 1/4, 1/4 and 1/2 squared: 0.00105.
    // Degrees of freedom 0.001675 squared / (0.000625 squared / 1 + 0.00105 squared / 2) = 2.979, t(0.975) = 3.197.
    expect(result.high - result.difference).toBeCloseTo(3.197 * Math.sqrt(0.001675), 3);
    expect(result.difference - result.low).toBeCloseTo(3.197 * Math.sqrt(0.001675), 3);
  });
  it("holds 95 % of the time with six members and three others, whom several are compared with", () => {
    const random = seededRandom("compared");
    const normal = () => Array.from({ length: 12 }, random).reduce((sum, value) => sum + value, -6);
    const student = (gain: number) => {
      const before = 0.3 + 0.05 * random();
      return at(before, before + gain + 0.15 * normal());
    };
    const runs = 2000;
    let held = 0;
    for (let n = 0; n < runs; n++) {
      const members = Array.from({ length: 6 }, () => student(0.2));
      const others = Array.from({ length: 3 }, () => student(0.05));
      const result = comparedChange(members, others);
      if (!("noEstimate" in result) && result.low <= 0.15 && result.high >= 0.15) held++;
    }
    expect(held / runs).toBeGreaterThan(0.935);
    expect(held / runs).toBeLessThan(0.975);
  });
  it("takes the three nearest within 0.1", () => {
    const others = [at(0.5, 0.6), at(0.52, 0.62), at(0.47, 0.57), at(0.59, 0.99), at(0.61, 0), at(0.805, 0)];
    const result = comparedChange([at(0.5, 0.7), at(0.5, 0.8)], others);
    expect(result).toMatchObject({ changeOfSimilar: expect.closeTo(0.1, 12), similar: 3 });
    expect(comparedChange([at(0.69, 0.7), at(0.69, 0.8)], others)).toMatchObject({ similar: 2 });
  });
  it("says when too few can be compared", () => {
    expect(comparedChange([at(0.2, 0.6), at(0.9, 1)], [at(0.2, 0.3)])).toEqual({ noEstimate: "too-few-similar" });
    expect(comparedChange([], [])).toEqual({ noEstimate: "too-few-similar" });
    expect(() => comparedChange([at(Number.NaN, 1)], [])).toThrow(/finite/);
  });
});
