import fc from "fast-check";
import { describe, expect, it } from "vitest";
import type { OpeningRule, Released, ReleaseTime } from "@/core/model/work";
import { rational } from "@/core/numeric/rational";
import { endOfTime } from "@/core/work/endOfTime";
import { isReleased } from "@/core/work/isReleased";
import { markOfTest } from "@/core/work/markOfTest";
import { isThrough, type PartOfStudent, partStandings } from "@/core/work/partStandings";
import { windowFault, windowFor, windowStanding } from "@/core/work/workWindow";

describe("the times of work", () => {
  const given = { opensAt: 10, dueAt: 20, closesAt: 30 };

  it("are open, then late, then closed; the due time and the end themselves are in time", () => {
    const times = windowFor(given);
    expect([9, 10, 20, 21, 30, 31].map((now) => windowStanding(times, now))).toEqual([
      "scheduled",
      "open",
      "open",
      "late",
      "late",
      "closed",
    ]);
    expect(windowStanding(windowFor({ opensAt: 10, dueAt: null, closesAt: null }), 1e15)).toBe("open");
    expect(windowStanding(windowFor({ opensAt: 10, dueAt: 20, closesAt: null }), 21)).toBe("closed");
  });

  it("a due time of one's own takes the place of everybody's, and opening again moves the end only", () => {
    expect(windowFor(given, { dueAt: 40, reopenedUntil: null })).toEqual({ opensAt: 10, dueAt: 40, closesAt: 40 });
    expect(windowFor(given, { dueAt: null, reopenedUntil: 50 })).toEqual({ opensAt: 10, dueAt: 20, closesAt: 50 });
    expect(windowFor(given, { dueAt: null, reopenedUntil: 5 })).toEqual(given);
    expect(windowStanding(windowFor(given, { dueAt: null, reopenedUntil: 50 }), 45)).toBe("late");
  });

  it("nobody loses time by what they were granted", () => {
    const instant = fc.integer({ min: 0, max: 1000 });
    const maybe = fc.option(instant, { nil: null });
    fc.assert(
      fc.property(instant, maybe, maybe, maybe, (opensAt, dueAt, closesAt, reopenedUntil) => {
        fc.pre(windowFault({ opensAt, dueAt, closesAt }) === null);
        const usual = windowFor({ opensAt, dueAt, closesAt }).closesAt ?? Number.POSITIVE_INFINITY;
        const own = windowFor({ opensAt, dueAt, closesAt }, { dueAt: null, reopenedUntil }).closesAt;
        expect(own ?? Number.POSITIVE_INFINITY).toBeGreaterThanOrEqual(usual);
      }),
    );
  });

  it("say what is wrong with them", () => {
    const faults = [
      { opensAt: 10, dueAt: 10, closesAt: null },
      { opensAt: 10, dueAt: 20, closesAt: 19 },
      { opensAt: 10, dueAt: null, closesAt: 10 },
      { opensAt: 10, dueAt: 20, closesAt: 20 },
      { opensAt: 10, dueAt: null, closesAt: null },
    ].map(windowFault);
    expect(faults).toEqual(["due-before-open", "closes-before-due", "closes-before-open", null, null]);
  });

  it("a test ends with one's own time or with the work, whichever is first; longer for those who need longer", () => {
    const of = (timeFactor: number, extraMinutes: number) => ({
      settings: { items: 5, minutes: 20 },
      timeFactor,
      extraMinutes,
    });
    const minute = 60_000;
    expect(endOfTime(of(1, 0), { begun: 0, closesAt: null })).toBe(20 * minute);
    expect(endOfTime(of(1.5, 5), { begun: 0, closesAt: null })).toBe(35 * minute);
    expect(endOfTime(of(1.5, 5), { begun: 0, closesAt: 30 * minute })).toBe(30 * minute);
    const untimed = { settings: { items: 5 }, timeFactor: 2, extraMinutes: 5 };
    expect(endOfTime(untimed, { begun: 0, closesAt: null })).toBeNull();
  });
});

describe("parts", () => {
  const part = (
    id: string,
    opening: readonly OpeningRule[] = [],
    over: Partial<PartOfStudent> = {},
  ): PartOfStudent => ({
    id,
    opening,
    begun: false,
    done: false,
    mark: null,
    toFollow: null,
    opened: false,
    ...over,
  });
  const states = (parts: readonly PartOfStudent[], now = 0) => partStandings(parts, now).map(({ state }) => state);
  const done = (percent: string): Partial<PartOfStudent> => ({
    begun: true,
    done: true,
    mark: rational(percent).div(100),
  });
  const below: OpeningRule = { by: "below", partId: "pre", percent: 80 };
  const pair = (pre: Partial<PartOfStudent>, follow: Partial<PartOfStudent> = {}) => [
    part("pre", [], pre),
    part("follow", [below], follow),
    part("post", [
      { by: "done", partId: "pre" },
      { by: "done", partId: "follow" },
    ]),
  ];

  it("a follow-up opens below the cut: 79.4 does not reach 80, and 80 does", () => {
    expect(states(pair({}))).toEqual(["open", "locked", "locked"]);
    expect(states(pair(done("79.4")))).toEqual(["done", "open", "locked"]);
    expect(states(pair(done("79.4"), { done: true }))).toEqual(["done", "done", "open"]);
    expect(states(pair(done("80")))).toEqual(["done", "not-needed", "open"]);
  });

  it("nobody waits for a part that is not there, that they do not need, or in which nothing was missed", () => {
    expect(states([part("b", [{ by: "done", partId: "gone" }])])).toEqual(["open"]);
    expect(states(pair(done("60"), { toFollow: 0 }))).toEqual(["done", "not-needed", "open"]);
    // Two parts that wait for each other.
    const circle = [part("a", [{ by: "done", partId: "b" }]), part("b", [{ by: "done", partId: "a" }])];
    expect(states(circle)).toContain("open");
  });

  it("a locked part names what it waits for; a teacher's word, a day", () => {
    const rules: OpeningRule[] = [{ by: "word" }, { by: "day", at: 50 }];
    expect(partStandings([part("a", rules)], 10)).toEqual([{ state: "locked", waitsFor: rules }]);
    expect(partStandings([part("a", rules)], 50)).toEqual([{ state: "locked", waitsFor: [{ by: "word" }] }]);
    expect(states([part("a", rules, { opened: true })])).toEqual(["open"]);
  });

  it("what was begun stays open, and a teacher may open what a student would not need", () => {
    expect(states(pair(done("90"), { begun: true }))).toEqual(["done", "open", "locked"]);
    expect(states(pair(done("90"), { opened: true }))).toEqual(["done", "open", "locked"]);
    expect(isThrough(partStandings(pair(done("90")), 0))).toBe(false);
    const only = [part("pre", [], done("90")), part("follow", [below])];
    expect(isThrough(partStandings(only, 0))).toBe(true);
  });

  it("a test left without a mark lies below any cut", () => {
    expect(states(pair({ begun: true, done: true, mark: null }))).toEqual(["done", "open", "locked"]);
  });
});

describe("release", () => {
  const seen = (rules: Partial<Record<Released, ReleaseTime>>, word: Released[], over: object = {}) =>
    (["score", "answers", "explanations"] as const).filter((what) =>
      isReleased(what, { rules, word, done: true, closed: false, ...over }),
    );

  it("waits for the teacher's word unless something else was set, and for the student to be done", () => {
    expect(seen({}, [])).toEqual([]);
    expect(seen({}, ["score"])).toEqual(["score"]);
    expect(seen({ score: "done" }, [])).toEqual(["score"]);
    expect(seen({ score: "done" }, ["explanations"], { done: false })).toEqual([]);
    expect(seen({ answers: "closed" }, [])).toEqual([]);
    expect(seen({ answers: "closed" }, [], { closed: true })).toEqual(["score", "answers"]);
  });

  it("whoever sees answers sees the score, and whoever sees explanations sees answers", () => {
    expect(seen({}, ["answers"])).toEqual(["score", "answers"]);
    expect(seen({}, ["explanations"])).toEqual(["score", "answers", "explanations"]);
  });
});

it("the mark of a test is the share of its points, exact; what is blank or waits earned nothing so far", () => {
  const item = (points: number, earned: number | null, possible: number | null) => ({ points, earned, possible });
  expect(markOfTest([])).toBeNull();
  expect(markOfTest([item(0, 1, 1)])).toBeNull();
  expect(markOfTest([item(1, 1, 1), item(3, 1, 2), item(1, null, null)])?.toFraction()).toBe("1/2");
  expect(markOfTest([item(2, 1, 3), item(0, 0, 1)])?.toFraction()).toBe("1/3");
});
