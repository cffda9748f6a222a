import { expect, it } from "vitest";
import { holidayRanges, weekdaysIn } from "@/core/calendar/holidayRanges";

it("single days go together by name, over weekends, and come apart again", () => {
  const week = weekdaysIn({ from: "2026-10-24", to: "2026-11-03" });
  expect(week).toHaveLength(7);
  const days = week.map((day) => ({ day, name: day < "2026-11-02" ? "River week" : "Flood days" }));
  expect(holidayRanges([...days].reverse())).toEqual([
    { from: "2026-10-26", to: "2026-10-30", name: "River week" },
    { from: "2026-11-02", to: "2026-11-03", name: "Flood days" },
  ]);
  expect(
    holidayRanges([
      { day: "2026-11-02", name: "a" },
      { day: "2026-11-04", name: "a" },
    ]),
  ).toHaveLength(2);
  expect(weekdaysIn({ from: "2026-11-03", to: "2026-11-02" })).toEqual([]);
});
