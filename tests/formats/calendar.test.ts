import { describe, expect, it } from "vitest";
import { readCalendar } from "@/formats/calendar/readCalendar";
import { writeCalendar } from "@/formats/calendar/writeCalendar";

const event = (lines: readonly string[]) => ["BEGIN:VEVENT", "UID:x", ...lines, "END:VEVENT"].join("\r\n");
const file = (...events: readonly string[]) =>
  ["BEGIN:VCALENDAR", "VERSION:2.0", "PRODID:-//x//x//EN", ...events, "END:VCALENDAR"].join("\r\n");

describe("a calendar file", () => {
  it("is read by its whole days, the end being the day after the last", () => {
    const text = file(
      event(["SUMMARY:Spring break", "DTSTART;VALUE=DATE:20270405", "DTEND;VALUE=DATE:20270410"]),
      event(["SUMMARY:River day\\, the second", "DTSTART;VALUE=DATE:20261026"]),
    );
    expect(readCalendar(text)).toEqual({
      ranges: [
        { from: "2026-10-26", to: "2026-10-26", name: "River day, the second" },
        { from: "2027-04-05", to: "2027-04-09", name: "Spring break" },
      ],
      leftOut: [],
    });
  });

  it("names what is no holiday, with the reason", () => {
    const text = file(
      event(["SUMMARY:Staff meeting", "DTSTART:20261026T140000Z"]),
      event(["SUMMARY:Market", "DTSTART;VALUE=DATE:20261026", "RRULE:FREQ=WEEKLY"]),
      event(["SUMMARY:Called off", "STATUS:CANCELLED", "DTSTART;VALUE=DATE:20261026"]),
    );
    expect(readCalendar(text)?.leftOut).toEqual([
      { name: "Staff meeting", why: "has-a-time" },
      { name: "Market", why: "repeats" },
      { name: "Called off", why: "cancelled" },
    ]);
  });

  it("that is none, or broken off, is refused and not half read", () => {
    expect(readCalendar("id,first\n1,A")).toBe(null);
    expect(readCalendar("")).toBe(null);
    expect(readCalendar("BEGIN:VCALENDAR\r\nBEGIN:VEVENT\r\nSUMMARY:x")).toBe(null);
  });

  it("that was written is read back as it was, in every zone", () => {
    const ranges = [
      { from: "2026-10-26", to: "2026-10-30", name: "River week; and, more" },
      { from: "2026-12-21", to: "2027-01-01", name: "Winter break" },
    ];
    const text = writeCalendar({ id: "s", name: "Kestrel Weir" }, ranges, new Date("2026-11-23T09:00:00Z"));
    expect(readCalendar(text)).toEqual({ ranges, leftOut: [] });
    expect(text).toContain("DTSTART;VALUE=DATE:20261026");
    expect(text).toContain("DTEND;VALUE=DATE:20261031");
  });
});
