import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { balanceSide, balanceSolution, sideAfter } from "@/core/manipulatives/balance";
import { blocksOf, type Trade, traded, worthOf } from "@/core/manipulatives/blocks";
import { isModelKind, MODEL_KINDS } from "@/core/manipulatives/modelSetting";
import { shippedContent } from "~/demo/shippedContent";

describe("a balance", () => {
  it("reads sides as they are written", () => {
    expect(balanceSide("3x + 5")).toEqual({ unknowns: 3, ones: 5 });
    expect(balanceSide("x − 4 + 2x")).toEqual({ unknowns: 3, ones: -4 });
    expect(balanceSide("26")).toEqual({ unknowns: 0, ones: 26 });
  });

  it("keeps its solution whatever is done to both sides", () => {
    const side = fc.record({ unknowns: fc.integer({ min: 0, max: 6 }), ones: fc.integer({ min: 0, max: 40 }) });
    const move = fc.oneof(
      fc.record({ kind: fc.constant("take-ones" as const), count: fc.integer({ min: 1, max: 5 }) }),
      fc.constant({ kind: "take-unknown" as const }),
      fc.record({ kind: fc.constant("share" as const), by: fc.integer({ min: 2, max: 6 }) }),
    );
    fc.assert(
      fc.property(side, side, move, (left, right, what) => {
        const after = [sideAfter(left, what), sideAfter(right, what)] as const;
        if (!after[0] || !after[1]) return;
        const before = balanceSolution({ left, right });
        expect(balanceSolution({ left: after[0], right: after[1] })).toBe(before);
      }),
      { seed: 14, numRuns: 300 },
    );
  });

  it("says where every or no number fits", () => {
    expect(balanceSolution({ left: { unknowns: 2, ones: 1 }, right: { unknowns: 2, ones: 4 } })).toBeNull();
  });
});

describe("blocks", () => {
  it("are worth the same after any trade, and refuse one that is not there", () => {
    const trades: Trade[] = ["ones-to-ten", "tens-to-hundred", "ten-to-ones", "hundred-to-tens"];
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 999 }),
        fc.array(fc.constantFrom(...trades), { maxLength: 8 }),
        (n, all) => {
          let blocks = blocksOf(n);
          for (const trade of all) blocks = traded(blocks, trade) ?? blocks;
          expect(worthOf(blocks)).toBe(n);
        },
      ),
      { seed: 14, numRuns: 300 },
    );
    expect(traded(blocksOf(7), "ten-to-ones")).toBeNull();
  });
});

it("every kind of model stands in some lesson that ships", () => {
  const models = shippedContent().flatMap(({ skills }) => skills.flatMap(({ teaching }) => teaching.model ?? []));
  expect(new Set(models.map(({ kind }) => kind))).toEqual(new Set(MODEL_KINDS));
  expect(models.every(({ kind }) => isModelKind(kind))).toBe(true);
});
