import fc from "fast-check";
import { expect, it } from "vitest";
import { MASTERY_BOUNDARY } from "@/core/mastery/masteryBoundary";
import type { ItemParameters } from "@/core/measurement/item";
import { surprisingScore } from "@/core/measurement/surprisingScore";

const sure = (mean: number, items: readonly ItemParameters[]) => ({
  belief: { mean, spread: 1e-6 },
  difficulty: 0,
  items,
});
/** At its difficulty each of these is right with 0.5. */
const even = { a: 1, b: MASTERY_BOUNDARY, c: 0 };
const of = (right: number, skills: Parameters<typeof surprisingScore>[1]) => {
  const found = surprisingScore(right, skills);
  if ("noEstimate" in found) throw new Error("no estimate");
  return found;
};

it("agrees with the binomial by hand where ability is sure: ten even items", () => {
  const ten = [sure(0, Array<ItemParameters>(10).fill(even))];
  // Ten of ten comes once in 1,024 times, and half of that is its mid-p.
  expect(of(10, ten).chance).toBeCloseTo(1 / 2048, 9);
  expect(of(10, ten)).toMatchObject({ verdict: "above", right: 10, items: 10 });
  expect(of(10, ten).expected).toBeCloseTo(5, 5);
  // Nine: (1 + 10 / 2) / 1,024 = 0.0059, which luck brings often enough.
  expect(of(9, ten).chance).toBeCloseTo(6 / 1024, 9);
  expect(of(9, ten).verdict).toBe("as-expected");
  expect(of(0, ten).verdict).toBe("below");
});

it("is slower to wonder the less is known: the same result against a wide belief surprises nobody", () => {
  const items = Array<ItemParameters>(10).fill(even);
  expect(of(10, [{ belief: { mean: 0, spread: 1.5 }, difficulty: 0, items }]).verdict).toBe("as-expected");
});

it("agrees with a plain count over every pattern of answers and a fine grid of abilities", () => {
  const belief = { mean: 0.7, spread: 0.8 };
  const items = [
    { a: 1.2, b: 0, c: 0.2 },
    { a: 0.8, b: 1, c: 0 },
    { a: 1.5, b: -0.5, c: 0.25 },
    { a: 1, b: 0.4, c: 0 },
    { a: 1.1, b: 0.9, c: 0.1 },
  ];
  const difficulty = -0.3;
  const shares = Array<number>(6).fill(0);
  let whole = 0;
  for (let z = -6; z <= 6; z += 0.01) {
    const weight = Math.exp((-z * z) / 2);
    whole += weight;
    const theta = belief.mean + z * belief.spread + difficulty + MASTERY_BOUNDARY;
    for (let pattern = 0; pattern < 32; pattern++) {
      let chance = weight;
      let right = 0;
      items.forEach(({ a, b, c }, place) => {
        const p = c + (1 - c) / (1 + Math.exp(-a * (theta - b)));
        const isRight = (pattern >> place) % 2 === 1;
        chance *= isRight ? p : 1 - p;
        right += isRight ? 1 : 0;
      });
      shares[right] = (shares[right] ?? 0) + chance;
    }
  }
  const share = (n: number) => (shares[n] ?? 0) / whole;
  const found = of(0, [{ belief, difficulty, items }]);
  expect(found.chance).toBeCloseTo(share(0) / 2, 5);
  expect(found.expected).toBeCloseTo(share(1) + 2 * share(2) + 3 * share(3) + 4 * share(4) + 5 * share(5), 4);
  expect(of(4, [{ belief, difficulty, items }]).chance).toBeCloseTo(share(5) + share(4) / 2, 5);
});

it("adds skills of their own beliefs: what one hides the other shows", () => {
  const strong = sure(3, Array<ItemParameters>(4).fill({ ...even, a: 3 }));
  const weak = sure(-3, Array<ItemParameters>(4).fill({ ...even, a: 3 }));
  expect(of(4, [strong, weak])).toMatchObject({ verdict: "as-expected", items: 8 });
  expect(of(0, [strong, weak]).verdict).toBe("below");
  expect(of(8, [strong, weak]).verdict).toBe("above");
});

it("says nothing of fewer than five items, and refuses a count that can't be", () => {
  expect(surprisingScore(2, [sure(0, [even, even])])).toEqual({ noEstimate: "too-few-items" });
  expect(() => surprisingScore(3, [sure(0, [even, even])])).toThrow("A number right");
});

it("wonders at what lies on its own side of the expected only", () => {
  fc.assert(
    fc.property(
      fc.double({ min: -2, max: 2, noNaN: true }),
      fc.double({ min: 0.1, max: 1.5, noNaN: true }),
      fc.integer({ min: 5, max: 12 }),
      fc.integer({ min: 0, max: 12 }),
      (mean, spread, n, k) => {
        const right = Math.min(n, k);
        const found = of(right, [
          { belief: { mean, spread }, difficulty: 0, items: Array<ItemParameters>(n).fill(even) },
        ]);
        expect(found.chance).toBeGreaterThanOrEqual(0);
        expect(found.chance).toBeLessThanOrEqual(0.5 + 1e-9);
        if (found.verdict === "above") expect(right).toBeGreaterThan(found.expected);
        if (found.verdict === "below") expect(right).toBeLessThan(found.expected);
      },
    ),
  );
});
