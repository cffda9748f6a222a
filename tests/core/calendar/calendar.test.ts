import { describe, expect, it } from "vitest";
import { addSchoolDays } from "@/core/calendar/addSchoolDays";
import { currentEntry } from "@/core/calendar/currentEntry";
import { dayAfter } from "@/core/calendar/dayAfter";
import { dayBefore } from "@/core/calendar/dayBefore";
import { dayNumber } from "@/core/calendar/dayNumber";
import { dayOfNumber } from "@/core/calendar/dayOfNumber";
import { isDay } from "@/core/calendar/isDay";
import { mondayOf } from "@/core/calendar/mondayOf";
import { planPosition } from "@/core/calendar/planPosition";
import { schoolDaysBetween } from "@/core/calendar/schoolDaysBetween";
import { termAround, termOn } from "@/core/calendar/termOn";
import { dayWords } from "@/words/staff/dayWords";

const calendar = { holidays: new Set(["2026-10-26", "2026-10-27"].map(dayNumber)) };

describe("school calendar", () => {
  it("numbers days and back, over leap years and centuries", () => {
    expect(dayNumber("1970-01-01")).toBe(0);
    expect(dayNumber("2000-03-01") - dayNumber("2000-02-28")).toBe(2);
    expect(dayNumber("1900-03-01") - dayNumber("1900-02-28")).toBe(1);
    for (let day = -40_000; day < 40_000; day += 379) expect(dayNumber(dayOfNumber(day))).toBe(day);
  });

  it.each(["2026-02-29", "2026-13-01", "2026-00-10", "26-01-01", "soon", "2026-04-31"])("refuses %s", (day) => {
    expect(() => dayNumber(day)).toThrowError(expect.objectContaining({ code: "unreadable-day" }));
  });

  it("knows the Monday of a week, a day that exists, the term of a day and what a plan is at", () => {
    for (let day = -800; day < 800; day++) {
      const monday = mondayOf(day);
      expect(day - monday).toBeGreaterThanOrEqual(0);
      expect(day - monday).toBeLessThan(7);
      expect(new Date(monday * 86_400_000).getUTCDay()).toBe(1);
    }
    expect(["2028-02-29", "2026-02-29", "soon"].map(isDay)).toEqual([true, false, false]);
    const terms = [
      { id: "a", startDay: "2026-09-01", endDay: "2026-12-18" },
      { id: "b", startDay: "2027-01-07", endDay: "2027-06-30" },
    ];
    expect(["2026-12-18", "2026-12-25", "2027-01-07"].map((day) => termOn(terms, day)?.id)).toEqual([
      "a",
      undefined,
      "b",
    ]);
    expect([termAround(terms, "2026-12-25")?.id, termAround([], "2026-12-25")]).toEqual(["b", null]);
    const plan = [{ targetDay: "2026-11-06" }, { targetDay: "2026-11-20" }];
    expect(["2026-11-06", "2026-11-07", "2026-12-01"].map((day) => currentEntry(plan, day))).toEqual([
      plan[0],
      plan[1],
      plan[1],
    ]);
    expect(currentEntry([], "2026-11-06")).toBeNull();
  });

  it("counts taught days only, in both directions", () => {
    expect(schoolDaysBetween("2026-10-19", "2026-10-21", calendar)).toBe(2);
    expect(schoolDaysBetween("2026-10-23", "2026-10-28", calendar)).toBe(1);
    expect(schoolDaysBetween("2026-10-28", "2026-10-23", calendar)).toBe(-1);
    expect(schoolDaysBetween("2026-10-24", "2026-10-25", calendar)).toBe(0);
  });

  it("adds taught days, beginning on one", () => {
    expect(addSchoolDays("2026-10-23", 1, calendar)).toBe("2026-10-28");
    expect(addSchoolDays("2026-10-24", 0, calendar)).toBe("2026-10-28");
  });
});

describe("planPosition", () => {
  const plan = [
    { skillId: "a", targetDay: "2026-10-20", shareSecure: 0.9 },
    { skillId: "b", targetDay: "2026-10-22", shareSecure: 0.3 },
    { skillId: "c", targetDay: "2026-10-29", shareSecure: 0 },
  ];

  it("is behind by the school days since the first open target", () => {
    expect(planPosition(plan, "2026-10-28", calendar, 0.6)).toEqual({ nextSkillId: "b", daysAhead: -2 });
  });

  it("is on its dates while the open target lies ahead", () => {
    expect(planPosition(plan, "2026-10-21", calendar, 0.6)).toEqual({ nextSkillId: "b", daysAhead: 0 });
  });

  it("is ahead when a later target is reached already", () => {
    const early = plan.map((entry) => ({ ...entry, shareSecure: entry.skillId === "c" ? 0 : 1 }));
    expect(planPosition(early, "2026-10-20", calendar, 0.6)).toEqual({ nextSkillId: "c", daysAhead: 2 });
    expect(
      planPosition(
        plan.map((entry) => ({ ...entry, shareSecure: 1 })),
        "2026-10-28",
        calendar,
        0.6,
      ),
    ).toEqual({ nextSkillId: null, daysAhead: 1 });
    expect(planPosition([], "2026-10-28", calendar, 0.6)).toEqual({ nextSkillId: null, daysAhead: 0 });
  });
});

it.each([
  ["2026-11-23", "2026-11-24", "23 Nov 2026"],
  ["2026-12-31", "2027-01-01", "31 Dec 2026"],
  ["2028-02-28", "2028-02-29", "28 Feb 2028"],
])("the day after %s is %s, and back; in words it is %s", (day, next, words) => {
  expect(dayAfter(day)).toBe(next);
  expect(dayBefore(next)).toBe(day);
  expect(dayWords(day)).toBe(words);
});
