import { describe, expect, it } from "vitest";
import { chanceWithin } from "@/core/mastery/chanceWithin";
import { guessAndSlip } from "@/core/mastery/guessAndSlip";
import { isSnag } from "@/core/mastery/isSnag";
import { learnOnce } from "@/core/mastery/learnOnce";
import { masteryFromAbility } from "@/core/mastery/masteryFromAbility";
import { priorMastery } from "@/core/mastery/priorMastery";
import { snagOf } from "@/core/mastery/snagOf";
import { traceAnswer } from "@/core/mastery/traceAnswer";
import { traceKnowledge } from "@/core/mastery/traceKnowledge";

describe("knowledge tracing", () => {
  it("follows Corbett and Anderson's equations on a worked example", () => {
    // 0.5 known, slip 0.1, guess 0.2: right gives 0.45 / 0.55; then learning 0.3 of the rest.
    const [right] = traceKnowledge({ initial: 0.5, learn: 0, slip: 0.1, guess: 0.2 }, [true]);
    expect(right).toBeCloseTo(0.45 / 0.55, 12);
    const [wrong] = traceKnowledge({ initial: 0.5, learn: 0.3, slip: 0.1, guess: 0.2 }, [false]);
    const posterior = 0.05 / (0.05 + 0.4);
    expect(wrong).toBeCloseTo(posterior + (1 - posterior) * 0.3, 12);
  });

  it("takes scores as well as truth values, and leaves what was not given", () => {
    const model = { initial: 0.4, learn: 0.1, slip: 0.1, guess: 0.2 };
    const [right, still, wrong] = traceKnowledge(model, [1, null, 0]);
    expect(still).toBe(right);
    expect([right, wrong]).toEqual(traceKnowledge(model, [true, false]));
  });

  it("stays within 0 and 1 for a thousand answers", () => {
    const answers = Array.from({ length: 1000 }, (_, n) => n % 3 !== 0);
    for (const chance of traceKnowledge({ initial: 0.2, learn: 0.1, slip: 0.05, guess: 0.3 }, answers)) {
      expect(chance).toBeGreaterThanOrEqual(0);
      expect(chance).toBeLessThanOrEqual(1);
    }
  });

  it("refuses parameters outside 0 to 1", () => {
    expect(() => traceKnowledge({ initial: 1.2, learn: 0, slip: 0, guess: 0 }, [])).toThrowError(
      expect.objectContaining({ code: "bad-argument" }),
    );
    expect(() => traceKnowledge({ initial: 0.5, learn: 0, slip: 0, guess: 0 }, [2 as 1])).toThrow(/1, 0 or null/);
    expect(() => traceKnowledge({ initial: Number.NaN, learn: 0, slip: 0, guess: 0 }, [])).toThrow();
  });

  it("weighs evidence: weight 0 changes nothing, half a weight less than a whole one", () => {
    const step = { share: 1, guess: 0.2, slip: 0.1, learn: 0 };
    expect(traceAnswer(0.5, { ...step, weight: 0 })).toBeCloseTo(0.5, 12);
    const half = traceAnswer(0.5, { ...step, weight: 0.5 });
    expect(half).toBeCloseTo((0.5 * Math.sqrt(0.9)) / (0.5 * Math.sqrt(0.9) + 0.5 * Math.sqrt(0.2)), 12);
    expect(half).toBeLessThan(traceAnswer(0.5, { ...step, weight: 1 }));
  });
});

describe("guess and slip from the item", () => {
  it("takes them at 0.2 below and 1.7 above the skill's difficulty", () => {
    const { guess, slip } = guessAndSlip({ a: 1.4, b: 0.3, c: 0 }, 0.3);
    expect(guess).toBeCloseTo(1 / (1 + Math.exp(1.4 * 0.2)), 12);
    expect(slip).toBeCloseTo(1 - 1 / (1 + Math.exp(-1.4 * 1.7)), 12);
  });

  it("bounds them so that no single answer decides", () => {
    expect(guessAndSlip({ a: 1.4, b: -30, c: 0 }, 0)).toEqual({ guess: 0.6, slip: 0.05 });
    expect(guessAndSlip({ a: 1.4, b: 30, c: 0 }, 0)).toEqual({ guess: 0.05, slip: 0.35 });
  });

  it("keeps guess and slip together under 1 for the oddest items", () => {
    for (const b of [-30, -3, 0, 3, 30]) {
      for (const c of [0, 0.25, 0.9]) {
        const { guess, slip } = guessAndSlip({ a: 1.4, b, c }, 0);
        expect(guess + slip).toBeLessThan(1);
        expect(Math.min(guess, slip)).toBeGreaterThanOrEqual(0.05);
      }
    }
  });
});

describe("what is believed before any answer", () => {
  it("falls with difficulty, rises with grade, and neither decides nor excludes", () => {
    expect(priorMastery(6, -1)).toBeGreaterThan(priorMastery(6, 0));
    expect(priorMastery(7, 0)).toBeGreaterThan(priorMastery(6, 0));
    expect(priorMastery(12, -9)).toBeCloseTo(0.7, 3);
    expect(priorMastery(1, 9)).toBeCloseTo(0.05, 3);
    // The middle of grade 6 stands at -0.25; the share above -0.25 is one half.
    expect(priorMastery(6, -1)).toBeCloseTo(0.5, 9);
    // One logit under the boundary, spread sqrt(1 + 0.65 squared) = 1.1927: a normal deviate of -0.8384.
    expect(priorMastery(6, 0)).toBeCloseTo(0.2009, 4);
  });

  it("is seeded from an ability: one half at the boundary, surer with less error, never quite sure", () => {
    expect(masteryFromAbility({ theta: 1.25, se: 0.3 }, 0.5)).toBeCloseTo(0.5, 12);
    // 0.3 above the boundary, spread sqrt(0.3 squared + 0.65 squared) = 0.7159: a normal deviate of 0.4191.
    expect(masteryFromAbility({ theta: 1.55, se: 0.3 }, 0.5)).toBeCloseTo(0.6624, 4);
    expect(masteryFromAbility({ theta: 9, se: 0.3 }, 0.5)).toBe(0.98);
    expect(masteryFromAbility({ theta: -9, se: 0.3 }, 0.5)).toBe(0.02);
    expect(() => masteryFromAbility({ theta: 0, se: 0 }, 0)).toThrow(/error above 0/);
  });
});

describe("learning that is itself uncertain", () => {
  it("equals the two classes kept apart by Bayes' rule", () => {
    // Masses of (mastered), (learning), (not learning), moved one opportunity by hand.
    let masses = { mastered: 0.2, learning: 0.8 * 0.5, not: 0.8 * 0.5 };
    let learning = 0.5;
    for (let n = 0; n < 7; n++) {
      masses = {
        mastered: masses.mastered + masses.learning * 0.16,
        learning: masses.learning * 0.84,
        not: masses.not,
      };
      learning = learnOnce(learning);
    }
    expect(learning).toBeCloseTo(masses.learning / (masses.learning + masses.not), 12);
    const state = { mastery: 0.2, learning };
    expect(chanceWithin({ mastery: 0.2, learning: 0.5 }, 7)).toBeCloseTo(masses.mastered, 12);
    expect(chanceWithin(state, 0)).toBe(state.mastery);
    expect(() => chanceWithin(state, -1)).toThrow(/from 0/);
  });

  it("is a snag under 0.25 within ten opportunities, after five answers", () => {
    const factor = 1 - 0.84 ** 10;
    const at = (chance: number, scoredAnswers: number) =>
      isSnag({ mastery: 0, learning: chance / factor, scoredAnswers });
    expect(at(0.249, 5)).toBe(true);
    expect(at(0.251, 5)).toBe(false);
    expect(at(0.1, 4)).toBe(false);
  });

  it("tells since when, and with whose help it was cleared", () => {
    const help = [
      { day: 9, by: "Noor" },
      { day: 12, by: "Ilan" },
      { day: 14, by: "Ilan" },
      { day: 16, by: "Noor" },
    ];
    expect(snagOf({ snagDay: null, snagClearedDay: null }, help)).toBeNull();
    expect(snagOf({ snagDay: 10, snagClearedDay: null }, help)).toEqual({
      sinceDay: 10,
      clearedDay: null,
      withHelpOf: [],
    });
    expect(snagOf({ snagDay: 10, snagClearedDay: 15 }, help)?.withHelpOf).toEqual(["Ilan"]);
    expect(snagOf({ snagDay: 10, snagClearedDay: 11 }, help)?.withHelpOf).toEqual([]);
  });
});
