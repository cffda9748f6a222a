import { describe, expect, it } from "vitest";
import { dayNumber } from "@/core/calendar/dayNumber";
import { isRangeWish, rangeBefore, rangeOfDays } from "@/core/calendar/rangeOfDays";
import { weeksOf } from "@/core/calendar/weeksOf";
import { expectedInWeek } from "@/core/work/expectedInWeek";
import { momentum } from "@/core/work/momentum";
import { pieceOfGrade } from "@/core/work/pieceOfGrade";
import { moveFor, type PutInCounts, putIn, wasPutIn } from "@/core/work/putIn";

const monday = dayNumber("2026-11-23");
const always = [{ from: 0, to: 999_999 }];

describe("ranges of days", () => {
  const marks = { today: monday + 2, term: { from: monday - 70, to: monday + 50 }, lookedOn: monday - 3 };

  it("move with the day, and never reach beyond it", () => {
    expect(rangeOfDays("today", marks)).toEqual({ from: monday + 2, to: monday + 2 });
    expect(rangeOfDays("this-week", marks)).toEqual({ from: monday, to: monday + 2 });
    expect(rangeOfDays("last-week", marks)).toEqual({ from: monday - 7, to: monday - 1 });
    expect(rangeOfDays("four-weeks", marks)).toEqual({ from: monday - 21, to: monday + 2 });
    expect(rangeOfDays("term", marks)).toEqual({ from: monday - 70, to: monday + 2 });
    expect(rangeOfDays("look", marks)).toEqual({ from: monday - 3, to: monday + 2 });
  });

  it("stand in four weeks where there is no term, or nobody has looked; days in the wrong order are turned round", () => {
    const none = { today: monday, term: null, lookedOn: null };
    expect(rangeOfDays("term", none)).toEqual(rangeOfDays("four-weeks", none));
    expect(rangeOfDays("look", none)).toEqual(rangeOfDays("four-weeks", none));
    expect(rangeOfDays("2026-11-20..2026-11-02", none)).toEqual({ from: monday - 21, to: monday - 3 });
    expect(rangeOfDays("2026-12-01..2026-12-05", none)).toBeNull();
    expect(rangeOfDays("2026-11-20..2026-12-05", none)).toEqual({ from: monday - 3, to: monday });
  });

  it("are read only where both days exist, and the one before is as long", () => {
    expect(["2026-11-02..2026-11-20", "term"].every(isRangeWish)).toBe(true);
    expect(["2026-11-02", "2026-02-30..2026-03-01", "yesterday", "a..b..c"].some(isRangeWish)).toBe(false);
    expect(rangeBefore({ from: monday, to: monday + 6 })).toEqual({ from: monday - 7, to: monday - 1 });
  });

  it("fall into weeks, cut at both ends", () => {
    expect(weeksOf({ from: monday - 2, to: monday + 8 })).toEqual([
      { from: monday - 2, to: monday - 1 },
      { from: monday, to: monday + 6 },
      { from: monday + 7, to: monday + 8 },
    ]);
  });
});

describe("what is expected in a week", () => {
  const whole = { minutes: 50, pieces: 2 };
  const week = { from: monday, to: monday + 6 };

  it("shrinks with holidays, with days not in the class, and with a week that is not over", () => {
    expect(expectedInWeek(whole, week, always, { holidays: new Set() })).toEqual(whole);
    expect(expectedInWeek(whole, week, always, { holidays: new Set([monday]) })).toEqual({ minutes: 40, pieces: 1.6 });
    const joined = [{ from: monday + 3, to: 999_999 }];
    expect(expectedInWeek(whole, week, joined, { holidays: new Set() })).toEqual({ minutes: 20, pieces: 0.8 });
    expect(expectedInWeek(whole, { from: monday, to: monday }, always, { holidays: new Set() })).toEqual({
      minutes: 10,
      pieces: 0.4,
    });
    expect(expectedInWeek(whole, week, [], { holidays: new Set() })).toEqual({ minutes: 0, pieces: 0 });
  });

  it("is on grade from half of the items on", () => {
    expect(pieceOfGrade([6, 7, 5, 4], 6)).toBe("on");
    expect(pieceOfGrade([6, 5, 4], 6)).toBe("below");
    expect([pieceOfGrade([], 6), pieceOfGrade([6], null)]).toEqual(["unknown", "unknown"]);
  });

  it("has a momentum said only beyond a quarter, against three weeks", () => {
    expect(momentum(50, [30, 40, 50])).toBeNull();
    expect(momentum(51, [30, 40, 50])).toBeCloseTo(0.275, 12);
    expect(momentum(10, [30, 40, 50])).toBeCloseTo(-0.75, 12);
    expect([momentum(50, [40, 40]), momentum(50, [0, 0, 0])]).toEqual([null, null]);
    expect(momentum(60, [999, 30, 30, 30])).toBe(1);
  });
});

describe("work put in", () => {
  const counts: PutInCounts = {
    seconds: 450,
    usualSeconds: 600,
    lessonParts: 4,
    lessonPartsOpened: 1,
    misses: 5,
    triedAgain: 4,
    answers: 20,
    rapid: 1,
  };

  it("is four shares and their mean, each at most 1, null where there was nothing to put it into", () => {
    expect(putIn(counts)).toEqual({ time: 0.75, lessons: 0.25, tries: 0.8, notRapid: 0.95, mean: 2.75 / 4 });
    expect(putIn({ ...counts, seconds: 900 }).time).toBe(1);
    const bare = { ...counts, lessonParts: 0, misses: 0 };
    expect(putIn(bare)).toMatchObject({ lessons: null, tries: null, mean: (0.75 + 0.95) / 2 });
    const nothing = { ...bare, usualSeconds: 0, answers: 0 };
    expect(putIn(nothing)).toEqual({ time: null, lessons: null, tries: null, notRapid: null, mean: null });
  });

  it("tells whom to teach, to talk to and to stretch; the mean decides nothing", () => {
    const much = putIn(counts);
    const hasty = putIn({ ...counts, rapid: 6 });
    expect([wasPutIn(much), wasPutIn(hasty)]).toEqual([true, false]);
    expect(moveFor(much, 0.4, 0.7)).toBe("teach");
    expect(moveFor(hasty, 0.4, 0.7)).toBe("talk");
    expect(moveFor(hasty, 0.9, 0.7)).toBe("stretch");
    expect(moveFor(much, 0.7, 0.7)).toBe("goes-well");
    expect(moveFor(much, null, 0.7)).toBe("not-begun");
    expect(wasPutIn(putIn({ ...counts, lessonPartsOpened: 0 }))).toBe(true);
    expect(wasPutIn(putIn({ ...counts, triedAgain: 1 }))).toBe(false);
    expect(wasPutIn(putIn({ ...counts, seconds: 300 }))).toBe(false);
  });
});
