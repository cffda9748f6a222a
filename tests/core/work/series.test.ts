import { describe, expect, it } from "vitest";
import { dayNumber } from "@/core/calendar/dayNumber";
import type { SeriesRules } from "@/core/model/series";
import { seriesDays } from "@/core/work/seriesDays";
import { seriesSkills } from "@/core/work/seriesSkills";

const rules = (over: Partial<SeriesRules> = {}): SeriesRules => ({
  source: { by: "plan", weeks: 2 },
  items: 5,
  weekdays: [1, 3],
  everyWeeks: 1,
  onHoliday: "next",
  dueAfter: 0,
  ...over,
});
const calendar = (...days: string[]) => ({ holidays: new Set(days.map(dayNumber)) });
/** Three weeks from Monday 9 November to Friday 27 November 2026. */
const WEEKS = { fromDay: "2026-11-09", toDay: "2026-11-27" };
const days = (of: SeriesRules, holidays: string[] = [], range = WEEKS) =>
  seriesDays(of, range, calendar(...holidays)).map(({ day }) => day.slice(5));

describe("the days of a series", () => {
  it("are its weekdays, week by week, both ends included", () => {
    expect(days(rules())).toEqual(["11-09", "11-11", "11-16", "11-18", "11-23", "11-25"]);
    expect(days(rules({ weekdays: [5] }))).toEqual(["11-13", "11-20", "11-27"]);
    expect(days(rules({ everyWeeks: 2 }))).toEqual(["11-09", "11-11", "11-23", "11-25"]);
  });

  it("move to the next free school day of the week where school is off, or are left out", () => {
    expect(days(rules(), ["2026-11-16"])).toEqual(["11-09", "11-11", "11-17", "11-18", "11-23", "11-25"]);
    expect(days(rules({ onHoliday: "skip" }), ["2026-11-16"])).toEqual(["11-09", "11-11", "11-18", "11-23", "11-25"]);
    // Both days of the week off, and the day between: each has a day of its own.
    expect(days(rules(), ["2026-11-16", "2026-11-17", "2026-11-18"])).toEqual([
      "11-09",
      "11-11",
      "11-19",
      "11-20",
      "11-23",
      "11-25",
    ]);
    expect(days(rules({ weekdays: [5] }), ["2026-11-20"])).toEqual(["11-13", "11-27"]);
    expect(seriesDays(rules({ weekdays: [1] }), WEEKS, calendar("2026-11-16"))[1]).toEqual({
      day: "2026-11-17",
      due: "2026-11-17",
      insteadOf: "2026-11-16",
    });
  });

  it("begin at the first day, whatever the week had before, and are due on school days", () => {
    expect(days(rules(), [], { fromDay: "2026-11-10", toDay: "2026-11-18" })).toEqual(["11-11", "11-16", "11-18"]);
    const [last] = seriesDays(rules({ weekdays: [5], dueAfter: 1 }), WEEKS, calendar("2026-11-16"));
    expect(last).toMatchObject({ day: "2026-11-13", due: "2026-11-17" });
    expect(days(rules({ weekdays: [] }))).toEqual([]);
    expect(days(rules({ weekdays: [6, 7] }))).toEqual([]);
  });
});

describe("the skills of a piece", () => {
  const plan = [
    { skillId: "old", fromDay: "2026-10-05", targetDay: "2026-10-09" },
    { skillId: "last", fromDay: "2026-11-09", targetDay: "2026-11-13" },
    { skillId: "now", fromDay: "2026-11-16", targetDay: "2026-11-25" },
    { skillId: "coming", fromDay: "2026-11-23", targetDay: "2026-11-27" },
  ];

  it("are what was taught in the weeks before, the latest first, and nothing that only begins on the day", () => {
    expect(seriesSkills({ by: "plan", weeks: 2 }, plan, "2026-11-23", 6)).toEqual(["now", "last"]);
    expect(seriesSkills({ by: "plan", weeks: 8 }, plan, "2026-11-23", 6)).toEqual(["now", "last", "old"]);
    expect(seriesSkills({ by: "plan", weeks: 8 }, plan, "2026-11-23", 1)).toEqual(["now"]);
    expect(seriesSkills({ by: "plan", weeks: 2 }, plan, "2026-09-01", 6)).toEqual([]);
  });

  it("are always the same where they were chosen", () => {
    expect(seriesSkills({ by: "skills", skillIds: ["a", "b"] }, plan, "2026-11-23", 6)).toEqual(["a", "b"]);
  });
});
