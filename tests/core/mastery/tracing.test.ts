import { describe, expect, it } from "vitest";
import { guessAndSlip } from "@/core/mastery/guessAndSlip";
import { priorMastery } from "@/core/mastery/priorMastery";
import { retrievability } from "@/core/mastery/retrievability";
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
    expect(() => traceKnowledge({ initial: Number.NaN, learn: 0, slip: 0, guess: 0 }, [])).toThrow();
  });

  it("weighs evidence: weight 0 changes nothing, half a weight less than a whole one", () => {
    const step = { right: true, guess: 0.2, slip: 0.1, learn: 0 };
    expect(traceAnswer(0.5, { ...step, weight: 0 })).toBeCloseTo(0.5, 12);
    const half = traceAnswer(0.5, { ...step, weight: 0.5 });
    expect(half).toBeCloseTo((0.5 * Math.sqrt(0.9)) / (0.5 * Math.sqrt(0.9) + 0.5 * Math.sqrt(0.2)), 12);
    expect(half).toBeLessThan(traceAnswer(0.5, { ...step, weight: 1 }));
  });
});

describe("guess and slip from the item", () => {
  it("takes them at 0.5 below and 2 above the skill's difficulty", () => {
    const { guess, slip } = guessAndSlip({ a: 1.4, b: 0.3, c: 0 }, 0.3);
    expect(guess).toBeCloseTo(1 / (1 + Math.exp(1.4 * 0.5)), 12);
    expect(slip).toBeCloseTo(1 - 1 / (1 + Math.exp(-1.4 * 2)), 12);
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
    expect(priorMastery(12, -9)).toBe(0.7);
    expect(priorMastery(1, 9)).toBe(0.05);
  });
});

describe("forgetting", () => {
  it("is 90 % after one stability and follows the published curve", () => {
    expect(retrievability(20, 20)).toBeCloseTo(0.9, 12);
    expect(retrievability(0, 20)).toBe(1);
    // FSRS-5: R(10 S) = (1 + 190 / 81)^-0.5
    expect(retrievability(200, 20)).toBeCloseTo((1 + 190 / 81) ** -0.5, 12);
  });
});
