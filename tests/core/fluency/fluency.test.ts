import { describe, expect, it } from "vitest";
import { answerDrill } from "@/core/fluency/answerDrill";
import { attemptsByFact } from "@/core/fluency/attemptsByFact";
import type { Fact, FactAttempt } from "@/core/fluency/fact";
import { factAnswer } from "@/core/fluency/factAnswer";
import { factDay } from "@/core/fluency/factDay";
import { factFluency } from "@/core/fluency/factFluency";
import { factId } from "@/core/fluency/factId";
import { limitSeconds } from "@/core/fluency/limitSeconds";
import { nextDrillFact } from "@/core/fluency/nextDrillFact";
import { nextPlacementFact } from "@/core/fluency/nextPlacementFact";
import { placeFacts } from "@/core/fluency/placeFacts";
import { relatedFacts } from "@/core/fluency/relatedFacts";
import { startDrill } from "@/core/fluency/startDrill";
import { typingTime } from "@/core/fluency/typingTime";
import { seededRandom } from "@/core/numeric/seededRandom";
import { shuffled } from "@/core/numeric/shuffled";

const times = (left: number, right: number): Fact => ({ operation: "multiply", left, right });
const limit = () => 4;
const attempt = (fact: Fact, day: number, seconds = 2, right = true): FactAttempt => ({ fact, day, seconds, right });

describe("facts", () => {
  it("have one name and one whole answer", () => {
    expect(factId(times(7, 8))).toBe("7*8");
    expect(factAnswer({ operation: "divide", left: 56, right: 7 })).toBe(8);
    expect(factId({ operation: "subtract", left: 9, right: 4 })).toBe("9-4");
    expect(() => factId({ operation: "divide", left: 7, right: 2 })).toThrow(/whole/);
    expect(() => factId({ operation: "divide", left: 7, right: 0 })).toThrow(/whole/);
    expect(() => factId({ operation: "subtract", left: 2, right: 9 })).toThrow(/whole/);
  });

  it("are related by the same three numbers", () => {
    expect(relatedFacts(times(7, 8)).map(factId).sort()).toEqual(["56/7", "56/8", "8*7"]);
    expect(relatedFacts({ operation: "divide", left: 56, right: 8 }).map(factId).sort()).toEqual([
      "56/7",
      "7*8",
      "8*7",
    ]);
    expect(relatedFacts({ operation: "add", left: 3, right: 5 }).map(factId).sort()).toEqual(["5+3", "8-3", "8-5"]);
    expect(relatedFacts({ operation: "subtract", left: 8, right: 5 }).map(factId).sort()).toEqual([
      "3+5",
      "5+3",
      "8-3",
    ]);
    expect(relatedFacts(times(4, 4)).map(factId)).toEqual(["16/4"]);
    expect(relatedFacts(times(0, 5)).map(factId).sort()).toEqual(["0/5", "5*0"]);
  });

  it("have a limit made of the student's own typing and time to think", () => {
    const samples = [1, 1.2, 0.8, 1, 3].map((seconds) => ({ digits: 2, seconds }));
    expect(typingTime(samples)).toEqual({ secondsPerDigit: 0.5, n: 5 });
    expect(typingTime(samples.slice(1))).toEqual({ noEstimate: "too-few-samples" });
    expect(limitSeconds(times(7, 8), 0.5, 2)).toBe(3);
    expect(limitSeconds(times(2, 3), 0.5, 2)).toBe(2.5);
    expect(() => limitSeconds(times(2, 3), 0, 2)).toThrow(/more than 0/);
    expect(() => typingTime([{ digits: 0, seconds: 1 }])).toThrow(/digits from 1/);
  });
});

describe("a fact is fluent", () => {
  const row = (days: readonly number[], over: (place: number) => Partial<FactAttempt> = () => ({})) =>
    days.map((day, place) => ({ ...attempt(times(7, 8), day), ...over(place) }));

  const fluencyOf = (attempts: readonly FactAttempt[]) => factFluency(times(7, 8), attemptsByFact(attempts), limit);

  it("with right answers in time on several days; those of one day alone never do", () => {
    expect(fluencyOf(row(Array.from({ length: 20 }, () => 1)))).toMatchObject({ fluent: false, days: 1 });
    expect(fluencyOf(row([1, 1, 1, 2, 2, 2])).fluent).toBe(false);
    expect(fluencyOf(row([1, 1, 1, 2, 2, 2, 3, 3, 3, 4, 4, 4]))).toMatchObject({ fluent: true, days: 4, attempts: 12 });
    expect(fluencyOf([])).toMatchObject({ chance: 0.5, fluent: false, attempts: 0, days: 0, lastDay: null });
  });

  it("not when the last first answer was wrong or slow, and again after more in time", () => {
    const days = [1, 2, 3, 4, 5, 6, 7];
    const last = (over: Partial<FactAttempt>) => row(days, (place) => (place === 6 ? over : {}));
    expect(fluencyOf(last({ right: false })).fluent).toBe(false);
    expect(fluencyOf(last({ seconds: 4.01 })).fluent).toBe(false);
    expect(fluencyOf(last({ seconds: 4 })).fluent).toBe(true);
    expect(fluencyOf([...last({ right: false }), ...row([8, 9, 10, 11, 12, 13, 14, 15, 16])]).fluent).toBe(true);
  });

  it("weighs a first answer six days back at one half, a further one of a day and a related one at a fifth", () => {
    const seven = row([1, 2, 3, 4, 5, 6, 7], (place) => ({ right: place > 0 }));
    const weights = [0, 1, 2, 3, 4, 5].map((back) => 0.5 ** (back / 6));
    const right = weights.reduce((sum, weight) => sum + weight, 0);
    expect(fluencyOf(seven).chance).toBeCloseTo((right + 0.5) / (right + 0.5 + 1), 12);
    // By hand: one wrong, then one right on the same day: a fifth in time, and 0.5 ** (0.2 / 6) not.
    const wrong = 0.5 ** (0.2 / 6);
    expect(fluencyOf(row([1, 1], (place) => ({ right: place > 0 }))).chance).toBeCloseTo(0.7 / (0.2 + wrong + 1), 12);
    expect(fluencyOf([attempt(times(8, 7), 1)])).toMatchObject({
      chance: 0.7 / 1.2,
      fluent: false,
      attempts: 0,
      days: 0,
    });
    expect(fluencyOf([attempt(times(6, 7), 1)]).chance).toBe(0.5);
  });

  it("by its latest twenty attempts, and says how sure that is", () => {
    const long = row([...Array.from({ length: 30 }, () => 1), ...Array.from({ length: 20 }, () => 2)], (place) => ({
      right: place >= 30,
    }));
    expect(fluencyOf(long)).toEqual(fluencyOf(long.slice(30)));
    expect(fluencyOf(row([1])).doubt).toBeGreaterThan(fluencyOf(row([1, 2, 3, 4])).doubt);
    // By hand: one in time against half of each, 1.5 of 2: sqrt(0.75 x 0.25 / 3).
    expect(fluencyOf(row([1])).doubt).toBeCloseTo(0.25, 12);
  });
});

describe("placement", () => {
  const family = (id: string, left: number) => ({
    id,
    facts: Array.from({ length: 10 }, (_, right) => times(left, right + 1)),
  });
  const families = [family("twos", 2), family("sevens", 7)];
  const answers = (familyId: string, left: number, marks: string) =>
    [...marks].map((mark, place) => ({ familyId, factId: `${left}*${place + 1}`, known: mark === "+" }));

  it("ends a family when the share known is narrow, plainly too low, or all is asked", () => {
    expect(placeFacts(families, [])[0]).toMatchObject({ ended: null, known: { share: null, low: 0, high: 1 } });
    expect(placeFacts(families, answers("twos", 2, "+++"))[0]?.ended).toBeNull();
    expect(placeFacts(families, answers("twos", 2, "++++"))[0]?.ended).toBe("narrow");
    expect(placeFacts(families, answers("twos", 2, "---"))[0]?.ended).toBeNull();
    expect(placeFacts(families, answers("twos", 2, "----"))[0]?.ended).toBe("too-hard");
    // By hand: 0 of 4 known leaves 10 to 4 unknown; C(10 - K, 4) for K = 0 to 6 are 210, 126, 70, 35, 15, 5, 1 of 462: 97.5 % by K = 4.
    expect(placeFacts(families, answers("twos", 2, "----"))[0]?.known).toMatchObject({ low: 0, high: 0.4 });
    expect(placeFacts(families, answers("twos", 2, "+-+-+-+-+-"))[0]).toMatchObject({
      ended: "all-asked",
      known: { low: 0.5, high: 0.5 },
    });
  });

  it("gives intervals that hold although asking ends as soon as they are narrow", () => {
    const random = seededRandom("coverage");
    for (const size of [10, 20])
      for (const knownOf of [0, 2, 5, 8, 10]) {
        const whole = { id: "f", facts: Array.from({ length: size }, (_, right) => times(7, right)) };
        let held = 0;
        const runs = 300;
        for (let n = 0; n < runs; n++) {
          const marks = shuffled(
            Array.from({ length: size }, (_, place) => place < knownOf),
            random,
          );
          let asked = 0;
          let placed = placeFacts([whole], [])[0];
          while (placed && !placed.ended) {
            asked++;
            const given = marks.slice(0, asked).map((known, place) => ({ familyId: "f", factId: `${place}`, known }));
            placed = placeFacts([whole], given)[0];
          }
          const share = knownOf / size;
          if (placed && placed.known.low <= share && share <= placed.known.high) held++;
        }
        expect(held / runs, `${knownOf} of ${size}`).toBeGreaterThan(0.85);
      }
  });

  it("asks only what was not asked, family after family, and then stops", () => {
    const random = seededRandom("placement");
    const given: { familyId: string; factId: string; known: boolean }[] = [];
    for (;;) {
      const step = nextPlacementFact(families, given, random);
      if (!step) break;
      given.push({ familyId: step.familyId, factId: factId(step.fact), known: step.familyId === "twos" });
    }
    expect(new Set(given.map((answer) => answer.factId)).size).toBe(given.length);
    expect(given.filter(({ familyId }) => familyId === "twos")).toHaveLength(4);
    expect(given.filter(({ familyId }) => familyId === "sevens")).toHaveLength(4);
  });
});

describe("drill", () => {
  const known = Array.from({ length: 12 }, (_, n) => `known ${n}`);

  /** Asks `length` facts, answering by a rule; gives what was asked. */
  function run(unknown: string[], own: string[], length: number, inTime: (id: string, place: number) => boolean) {
    let drill = startDrill(unknown, own);
    const asked: string[] = [];
    for (let place = 0; place < length; place++) {
      const id = nextDrillFact(drill);
      if (id === null) break;
      asked.push(id);
      drill = answerDrill(drill, id, inTime(id, place));
    }
    return { asked, drill };
  }

  it("brings a new fact back at growing distance: 1, 2, 3, 5, 8 known ones between", () => {
    const { asked, drill } = run(["new"], known, 26, () => true);
    const places = asked.flatMap((id, place) => (id === "new" ? [place] : []));
    expect(places.slice(0, 6).map((place, n) => (n === 0 ? 0 : place - (places[n - 1] ?? 0) - 1))).toEqual([
      0, 1, 2, 3, 5, 8,
    ]);
    expect(drill.known).toContain("new");
    expect(drill.learning).toEqual([]);
  });

  it("begins one new fact at a time: the next only when the first has come back", () => {
    expect(run(["a", "b"], known, 5, () => true).asked).toEqual(["a", "known 0", "a", "b", "known 1"]);
  });

  it("brings a missed fact back after one other", () => {
    const { asked } = run(["new"], known, 8, (id) => id !== "new");
    expect(asked.map((id) => id === "new")).toEqual([true, false, true, false, true, false, true, false]);
  });

  it("asks mostly known facts, learns three at once at the most, and loses none", () => {
    const { asked, drill } = run(["a", "b", "c", "d", "e"], known, 60, () => true);
    const all = [...drill.known, ...drill.waiting, ...drill.learning.map(({ factId: id }) => id)];
    expect(all.sort()).toEqual([...known, "a", "b", "c", "d", "e"].sort());
    expect(asked.filter((id) => id.startsWith("known")).length).toBeGreaterThan(asked.length / 3);
    let walked = startDrill(["a", "b", "c", "d", "e"], known);
    for (let n = 0; n < 60; n++) {
      walked = answerDrill(walked, nextDrillFact(walked) ?? "", true);
      expect(walked.learning.length).toBeLessThanOrEqual(3);
    }
  });

  it("learns a known fact again once it is missed, works without known ones, and ends with nothing", () => {
    expect(answerDrill(startDrill([], known), "known 0", false).learning).toMatchObject([
      { factId: "known 0", gap: 0 },
    ]);
    expect(run(["a"], [], 4, () => true).asked).toEqual(["a", "a", "a", "a"]);
    expect(nextDrillFact(startDrill([], []))).toBeNull();
  });
});

it("a day's totals count, time and name what became fluent", () => {
  const attempts = [
    ...[1, 1, 1, 2, 2, 2, 3, 3, 3].map((day) => attempt(times(7, 8), day, 3)),
    ...[4, 4, 4].map((day) => attempt(times(7, 8), day, 3)),
    attempt(times(6, 6), 4, 90),
    attempt(times(6, 7), 4, 3, false),
  ];
  const of = (day: number) =>
    factDay(
      attempts.filter((one) => one.day === day),
      attemptsByFact(attempts.filter((one) => one.day <= day)),
      day,
      limit,
    );
  expect(of(1)).toEqual({ answered: 3, right: 3, inTime: 3, seconds: 9, newlyFluent: [] });
  // A minute and a half before one fact is being away; it counts half a minute.
  expect(of(4)).toEqual({ answered: 5, right: 4, inTime: 3, seconds: 42, newlyFluent: ["7*8"] });
});
