import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { readNumber } from "@/core/answers/readNumber";
import { dayNumber } from "@/core/calendar/dayNumber";
import { schoolDaysBetween } from "@/core/calendar/schoolDaysBetween";
import { beliefAfter } from "@/core/mastery/beliefAfter";
import { masteryToday } from "@/core/mastery/masteryToday";
import type { SkillState } from "@/core/mastery/skillState";
import { updateSkillState } from "@/core/mastery/updateSkillState";
import { probability } from "@/core/measurement/probability";
import { rational } from "@/core/numeric/rational";
import { seededRandom } from "@/core/numeric/seededRandom";
import { shuffled } from "@/core/numeric/shuffled";
import { readSheet } from "@/formats/table/readSheet";

const chance = fc.double({ min: 0, max: 1, noNaN: true });
const belief = fc.record({
  mean: fc.double({ min: -4, max: 4, noNaN: true }),
  spread: fc.double({ min: 0.1, max: 2, noNaN: true }),
});
const item = fc.record({
  a: fc.double({ min: 0.2, max: 3, noNaN: true }),
  b: fc.double({ min: -5, max: 5, noNaN: true }),
  c: fc.double({ min: 0, max: 0.5, noNaN: true }),
});
fc.configureGlobal({ seed: 20261123, numRuns: 400 });

describe("laws", () => {
  it("a chance of a right answer lies within [c, 1] and rises with ability", () => {
    fc.assert(
      fc.property(
        item,
        fc.double({ min: -700, max: 700, noNaN: true }),
        fc.double({ min: 0, max: 5, noNaN: true }),
        (parameters, theta, more) => {
          const p = probability(theta, parameters);
          expect(p).toBeGreaterThanOrEqual(parameters.c);
          expect(p).toBeLessThanOrEqual(1);
          expect(probability(theta + more, parameters)).toBeGreaterThanOrEqual(p);
        },
      ),
    );
  });

  it("a right answer never lowers and a wrong one never raises the chance of mastery", () => {
    fc.assert(
      fc.property(belief, item, chance, (believed, parameters, weight) => {
        const evidence = { item: parameters, skillDifficulty: 0, weight, mayHaveChanged: false };
        const { mean } = believed;
        expect(beliefAfter(believed, { ...evidence, share: 1 }).mean).toBeGreaterThanOrEqual(mean - 1e-9);
        expect(beliefAfter(believed, { ...evidence, share: 0 }).mean).toBeLessThanOrEqual(mean + 1e-9);
      }),
    );
  });

  it("any row of answers keeps a state within bounds, and time only fades it towards the prior", () => {
    const answer = fc.record({
      share: fc.constantFrom(0, 0.5, 2 / 3, 1),
      tryNumber: fc.integer({ min: 1, max: 2 }),
      hintsUsed: fc.integer({ min: 0, max: 2 }),
      item,
      wait: fc.integer({ min: 0, max: 90 }),
      model: fc.integer({ min: 0, max: 3 }),
    });
    fc.assert(
      fc.property(fc.array(answer, { minLength: 1, maxLength: 30 }), belief, (answers, prior) => {
        let day = 0;
        let state: SkillState | null = null;
        for (const { wait, model, ...rest } of answers) {
          day += wait;
          state = updateSkillState(state, prior, { ...rest, itemId: `m${model}`, day }, 0);
          expect(state.mastery).toBeGreaterThanOrEqual(0);
          expect(state.mastery).toBeLessThanOrEqual(1);
          expect(state.rightFirstTries).toBeLessThanOrEqual(state.scoredAnswers);
        }
        const last = state as SkillState;
        const [soon, late] = [masteryToday(last, day + 10), masteryToday(last, day + 100)];
        expect(late).toBeLessThanOrEqual(soon + 1e-12);
        expect(late).toBeGreaterThanOrEqual(Math.min(last.prior, last.mastery) - 1e-12);
      }),
    );
  });

  it("reads back any fraction and mixed number it could have written", () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 999 }),
        fc.integer({ min: 1, max: 999 }),
        fc.integer({ min: 1, max: 999 }),
        (whole, top, bottom) => {
          expect(readNumber(`${whole} ${top}/${bottom}`)).toMatchObject({
            ok: true,
            value: rational(whole).add(rational(top, bottom)),
          });
        },
      ),
    );
  });

  it("reads any text without throwing", () => {
    fc.assert(fc.property(fc.string({ unit: "binary", maxLength: 80 }), (text) => void readNumber(text)));
    fc.assert(fc.property(fc.uint8Array({ maxLength: 400 }), (bytes) => void readSheet(bytes, 20)));
  });

  it("counts school days alike there and back, and adds up over a day between", () => {
    const calendar = { holidays: new Set([dayNumber("2026-10-26")]) };
    const day = fc.integer({ min: 0, max: 27 }).map((n) => `2026-10-${String(n + 1).padStart(2, "0")}`);
    fc.assert(
      fc.property(day, day, day, (a, b, c) => {
        expect(schoolDaysBetween(a, b, calendar) + schoolDaysBetween(b, a, calendar)).toBe(0);
        expect(schoolDaysBetween(a, b, calendar) + schoolDaysBetween(b, c, calendar)).toBe(
          schoolDaysBetween(a, c, calendar),
        );
      }),
    );
  });

  it("shuffles without losing or making anybody", () => {
    fc.assert(
      fc.property(fc.array(fc.integer()), fc.string(), (members, seed) => {
        expect(shuffled(members, seededRandom(seed)).sort((x, y) => x - y)).toEqual([...members].sort((x, y) => x - y));
      }),
    );
  });
});
