import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { IN_FLIGHT_MILLISECONDS, placeAnswer } from "@/core/work/placeAnswer";

const HOUR = 3_600_000;
const usual = {
  now: 100 * HOUR,
  agoMilliseconds: 0,
  notBefore: 90 * HOUR,
  dueAt: 110 * HOUR,
  keptOnDevice: false,
  graceMilliseconds: 72 * HOUR,
};

describe("the place of an answer in time", () => {
  it("is how long ago it was given, never before the last answer and never after now", () => {
    expect(placeAnswer({ ...usual, agoMilliseconds: HOUR })).toEqual({ givenAt: 99 * HOUR, standing: "in-time" });
    expect(placeAnswer({ ...usual, agoMilliseconds: 50 * HOUR }).givenAt).toBe(usual.notBefore);
    expect(placeAnswer({ ...usual, agoMilliseconds: -50 * HOUR }).givenAt).toBe(usual.now);
    expect(
      placeAnswer({
        now: 100,
        agoMilliseconds: 30,
        notBefore: 80,
        dueAt: 200,
        keptOnDevice: false,
        graceMilliseconds: 0,
      }),
    ).toEqual({ givenAt: 80, standing: "in-time" });
  });

  it("stays between them whatever a device claims", () => {
    const anything = fc.oneof(fc.double(), fc.constantFrom(Number.NaN, Infinity, -Infinity, 1e308, -1e16, 1e16));
    fc.assert(
      fc.property(anything, fc.boolean(), fc.integer({ min: 0, max: 400 * HOUR }), (ago, keptOnDevice, later) => {
        const now = usual.notBefore + later;
        const { givenAt } = placeAnswer({ ...usual, now, agoMilliseconds: ago, keptOnDevice });
        expect(Number.isInteger(givenAt)).toBe(true);
        expect(givenAt).toBeGreaterThanOrEqual(usual.notBefore);
        expect(givenAt).toBeLessThanOrEqual(now);
      }),
    );
  });

  it("after the due time is believed only of answers that waited on a device, within the grace", () => {
    const late = { ...usual, now: 120 * HOUR, agoMilliseconds: 15 * HOUR };
    expect(placeAnswer(late).standing).toBe("too-late");
    expect(placeAnswer({ ...late, keptOnDevice: true })).toEqual({ givenAt: 105 * HOUR, standing: "late-claim" });
    expect(placeAnswer({ ...late, keptOnDevice: true, agoMilliseconds: 5 * HOUR }).standing).toBe("too-late");
    expect(placeAnswer({ ...late, keptOnDevice: true, graceMilliseconds: 9 * HOUR }).standing).toBe("too-late");
  });

  it("forgives what was under way when the time ran out", () => {
    const now = usual.dueAt + IN_FLIGHT_MILLISECONDS;
    expect(placeAnswer({ ...usual, now }).standing).toBe("in-time");
    expect(placeAnswer({ ...usual, now: now + 1 }).standing).toBe("too-late");
  });
});
