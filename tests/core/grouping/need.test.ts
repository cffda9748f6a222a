import { describe, expect, it } from "vitest";
import { needOf } from "@/core/grouping/needOf";
import { readiness } from "@/core/grouping/readiness";
import { reteachOutcome } from "@/core/grouping/reteachOutcome";
import { skillWeight } from "@/core/grouping/skillWeight";

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
