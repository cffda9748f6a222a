import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { cronbachAlpha } from "@/core/measurement/cronbachAlpha";
import { eap } from "@/core/measurement/eap";
import { information } from "@/core/measurement/information";
import { itemAnalysis } from "@/core/measurement/itemAnalysis";
import { map } from "@/core/measurement/map";
import { optionStatistics } from "@/core/measurement/optionStatistics";
import { percentileRank } from "@/core/measurement/percentileRank";
import { probability } from "@/core/measurement/probability";
import { wilson } from "@/core/measurement/wilson";
import { wle } from "@/core/measurement/wle";
import type { Score } from "@/core/model/score";
import { arrangeApart } from "@/core/numeric/arrangeApart";
import { quantile } from "@/core/numeric/quantile";
import { seededRandom } from "@/core/numeric/seededRandom";
import { shuffled } from "@/core/numeric/shuffled";
import { reviewMemory } from "@/core/review/reviewMemory";

fc.configureGlobal({ seed: 20261123, numRuns: 200 });

const item = fc.record({
  a: fc.double({ min: 0.3, max: 3, noNaN: true }),
  b: fc.double({ min: -4, max: 4, noNaN: true }),
  c: fc.constantFrom(0, 0.2, 0.25),
});
const score = fc.constantFrom<Score>(0, 1, null);
const answered = fc.array(fc.tuple(item, score), { minLength: 1, maxLength: 25 });
const prior = fc.record({
  mean: fc.double({ min: -2, max: 2, noNaN: true }),
  sd: fc.double({ min: 0.3, max: 2, noNaN: true }),
});

describe("laws of measurement", () => {
  it("information is never negative, and is nothing far away", () => {
    fc.assert(
      fc.property(item, fc.double({ min: -700, max: 700, noNaN: true }), (one, theta) => {
        expect(information(theta, one)).toBeGreaterThanOrEqual(0);
        expect(information(one.b + 600, one)).toBeLessThan(1e-12);
      }),
    );
  });

  it("the order of independent answers does not matter", () => {
    fc.assert(
      fc.property(answered, prior, fc.string(), (answers, law, seed) => {
        const mixed = shuffled(answers, seededRandom(seed));
        const of = (rows: typeof answers) =>
          eap(
            rows.map(([own]) => own),
            rows.map(([, mark]) => mark),
            law,
          );
        expect(of(mixed).theta).toBeCloseTo(of(answers).theta, 9);
        expect(of(mixed).se).toBeCloseTo(of(answers).se, 9);
      }),
    );
  });

  it("a right answer never lowers an estimate, and the posterior stays within the prior's reach", () => {
    fc.assert(
      fc.property(answered, item, prior, (answers, more, law) => {
        const items = [...answers.map(([own]) => own), more];
        const marks = answers.map(([, mark]) => mark);
        const [without, right, wrong] = ([null, 1, 0] as const).map((last) => eap(items, [...marks, last], law));
        expect(right?.theta).toBeGreaterThanOrEqual((without?.theta ?? 0) - 1e-9);
        expect(wrong?.theta).toBeLessThanOrEqual((without?.theta ?? 0) + 1e-9);
        expect(Math.abs((right?.theta ?? 0) - law.mean)).toBeLessThan(6 * law.sd);
        expect(map(items, [...marks, 1], law).theta).toBeGreaterThanOrEqual(map(items, [...marks, 0], law).theta);
      }),
    );
  });

  it("more evidence never widens the posterior on average", () => {
    fc.assert(
      fc.property(answered, item, prior, (answers, more, law) => {
        const items = answers.map(([own]) => own);
        const marks = answers.map(([, mark]) => mark);
        const now = eap(items, marks, law);
        // Averaged over the answer by its chance under the posterior itself, on its own nodes.
        const nodes = Array.from({ length: 61 }, (_, n) => law.mean + law.sd * (-6 + n / 5));
        const weights = nodes.map((theta) => {
          const z = (theta - law.mean) / law.sd;
          return items.reduce(
            (product, own, place) => {
              const p = probability(theta, own);
              return marks[place] === null ? product : product * (marks[place] === 1 ? p : 1 - p);
            },
            Math.exp((-z * z) / 2),
          );
        });
        const total = weights.reduce((sum, weight) => sum + weight, 0);
        const right = nodes.reduce((sum, theta, n) => sum + ((weights[n] ?? 0) / total) * probability(theta, more), 0);
        const after = (mark: 0 | 1) => eap([...items, more], [...marks, mark], law).se ** 2;
        expect(right * after(1) + (1 - right) * after(0)).toBeLessThanOrEqual(now.se ** 2 + 1e-9);
      }),
    );
  });

  it("a weighted-likelihood estimate is finite for all answers, in whatever items", () => {
    fc.assert(
      fc.property(answered, (answers) => {
        const estimate = wle(
          answers.map(([own]) => own),
          answers.map(([, mark]) => mark),
        );
        if ("noEstimate" in estimate) expect(answers.every(([, mark]) => mark === null)).toBe(true);
        else expect(Number.isFinite(estimate.theta) && estimate.se > 0 && Number.isFinite(estimate.se)).toBe(true);
      }),
    );
  });

  it("item figures do not depend on the order of students or items, and are never NaN", () => {
    const table = fc
      .integer({ min: 1, max: 6 })
      .chain((width) =>
        fc.array(fc.array(score, { minLength: width, maxLength: width }), { minLength: 1, maxLength: 12 }),
      );
    fc.assert(
      fc.property(table, fc.string(), (rows, seed) => {
        const result = itemAnalysis(rows);
        expect(JSON.stringify(result)).toBe(
          JSON.stringify(result, (_, value) => (typeof value === "number" && !Number.isFinite(value) ? "bad" : value)),
        );
        const turned = itemAnalysis(rows.map((row) => [...row].reverse()));
        const mixed = itemAnalysis(shuffled(rows, seededRandom(seed)));
        if ("noEstimate" in result || "noEstimate" in turned || "noEstimate" in mixed)
          throw new Error("analysis wanted");
        result.items.forEach((own, place) => {
          for (const other of [mixed.items[place], turned.items.at(-1 - place)]) {
            expect(other?.difficulty).toBe(own.difficulty);
            if (own.itemRest !== null) expect(other?.itemRest).toBeCloseTo(own.itemRest, 9);
            if (own.upperLower !== null) expect(other?.upperLower).toBeCloseTo(own.upperLower, 9);
          }
        });
      }),
    );
  });

  it("the order of options changes no count", () => {
    const choice = fc.record({
      option: fc.constantFrom("A", "B", "C", null),
      rest: fc.double({ min: 0, max: 1, noNaN: true }),
    });
    fc.assert(
      fc.property(fc.array(choice, { maxLength: 20 }), (choices) => {
        const find = (options: string[], option: string) =>
          optionStatistics(choices, "A", options).find((one) => one.option === option);
        for (const option of ["A", "B", "C"])
          expect(find(["C", "B", "A"], option)).toEqual(find(["A", "B", "C"], option));
      }),
    );
  });

  it("alpha is at most 1 and reached by items that are all alike", () => {
    const rows = fc.array(fc.array(fc.constantFrom(0, 1), { minLength: 3, maxLength: 3 }), {
      minLength: 2,
      maxLength: 15,
    });
    fc.assert(
      fc.property(rows, (table) => {
        const result = cronbachAlpha(table);
        if ("alpha" in result) expect(result.alpha).toBeLessThanOrEqual(1 + 1e-12);
        const alike = cronbachAlpha(table.map(([first = 0]) => [first, first, first]));
        if ("alpha" in alike) expect(alike.alpha).toBeCloseTo(1, 9);
      }),
    );
  });

  it("intervals hold their share, and ranks and quantiles undo each other", () => {
    fc.assert(
      fc.property(fc.nat(50), fc.nat(50), fc.double({ min: 0.5, max: 0.99, noNaN: true }), (k, more, level) => {
        const { low, high, share } = wilson(k, k + more, level);
        expect(low).toBeGreaterThanOrEqual(0);
        expect(high).toBeLessThanOrEqual(1);
        if (share !== null) expect(low <= share && share <= high).toBe(true);
      }),
    );
    fc.assert(
      fc.property(
        fc.uniqueArray(fc.integer({ min: -999, max: 999 }), { minLength: 1, maxLength: 30 }),
        fc.double({ min: 0, max: 1, noNaN: true }),
        (values, p) => {
          const place = quantile(values, p);
          expect(place).toBeGreaterThanOrEqual(Math.min(...values));
          expect(place).toBeLessThanOrEqual(Math.max(...values));
          expect(percentileRank(values, quantile(values, 0.5))).toBeCloseTo(50, 6);
        },
      ),
    );
  });

  it("memory fades with time only, and recall always strengthens it", () => {
    const memory = fc.record({
      stabilityDays: fc.double({ min: 0.5, max: 300, noNaN: true }),
      difficulty: fc.double({ min: 1, max: 10, noNaN: true }),
    });
    fc.assert(
      fc.property(memory, fc.integer({ min: 1, max: 400 }), (one, days) => {
        expect(reviewMemory.recall(one.stabilityDays, days + 5)).toBeLessThanOrEqual(
          reviewMemory.recall(one.stabilityDays, days),
        );
        const [again, hard, good, easy] = ([1, 2, 3, 4] as const).map(
          (grade) => reviewMemory.next(one, days, grade).stabilityDays,
        );
        expect(again).toBeLessThanOrEqual(one.stabilityDays);
        expect(hard).toBeGreaterThanOrEqual(one.stabilityDays);
        expect((easy ?? 0) >= (good ?? 0) && (good ?? 0) >= (hard ?? 0)).toBe(true);
      }),
    );
  });

  it("parting kinds keeps every member, and parts wherever no kind is in the majority", () => {
    fc.assert(
      fc.property(fc.array(fc.constantFrom("a", "b", "c", "d"), { maxLength: 30 }), (kinds) => {
        const order = arrangeApart(kinds, (kind) => kind);
        expect([...order].sort()).toEqual([...kinds].sort());
        const most = Math.max(0, ...["a", "b", "c", "d"].map((kind) => kinds.filter((own) => own === kind).length));
        if (most <= Math.ceil(kinds.length / 2))
          for (let n = 1; n < order.length; n++) expect(order[n]).not.toBe(order[n - 1]);
      }),
    );
  });
});
