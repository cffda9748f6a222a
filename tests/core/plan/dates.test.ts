import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { dayNumber } from "@/core/calendar/dayNumber";
import { dayOfNumber } from "@/core/calendar/dayOfNumber";
import { datesOfSlots, type TimedSlot } from "@/core/plan/datesOfSlots";
import { isLessonDay, type LessonCalendar, lessonDayAfter, lessonsBetween } from "@/core/plan/lessonDays";
import { keepDates, slotAt } from "@/core/plan/moveSlots";
import { skillsInSlot } from "@/core/plan/skillsInSlot";

const MONDAY = "2026-11-23";
const week: LessonCalendar = { holidays: new Set(), weekdays: [1, 2, 3, 4, 5] };
const slot = (id: string, lessons: number, over: Partial<TimedSlot> = {}): TimedSlot => ({
  id,
  lessons,
  fromDay: null,
  skipped: false,
  ...over,
});
const days = (slots: readonly TimedSlot[], calendar = week, first = MONDAY) =>
  datesOfSlots(slots, first, calendar).map(({ id, dates }) =>
    dates ? `${id} ${dates.fromDay.slice(5)} ${dates.targetDay.slice(5)}` : `${id} none`,
  );

describe("the dates of a plan", () => {
  it("follow one another over weekends and holidays, on the class's days", () => {
    expect(days([slot("a", 3), slot("b", 3)])).toEqual(["a 11-23 11-25", "b 11-26 11-30"]);
    const off = { ...week, holidays: new Set([dayNumber("2026-11-26"), dayNumber("2026-11-27")]) };
    expect(days([slot("a", 3), slot("b", 3)], off)).toEqual(["a 11-23 11-25", "b 11-30 12-02"]);
    const twice = { ...week, weekdays: [2, 4] };
    expect(days([slot("a", 3), slot("b", 1)], twice)).toEqual(["a 11-24 12-01", "b 12-03 12-03"]);
  });

  it("leave out what is skipped and wait for a day of a slot's own, unless it has passed", () => {
    expect(days([slot("a", 2), slot("b", 2, { skipped: true }), slot("c", 1)])).toEqual([
      "a 11-23 11-24",
      "b none",
      "c 11-25 11-25",
    ]);
    expect(days([slot("a", 1), slot("b", 1, { fromDay: "2026-12-01" }), slot("c", 1, { fromDay: MONDAY })])).toEqual([
      "a 11-23 11-23",
      "b 12-01 12-01",
      "c 12-02 12-02",
    ]);
  });

  it("are none where a class has no lessons or the school no days", () => {
    expect(days([slot("a", 1)], { ...week, weekdays: [] })).toEqual(["a none"]);
    expect(days([slot("a", 1)], { ...week, weekdays: [6, 7] })).toEqual(["a none"]);
    expect(lessonDayAfter(MONDAY, 0, { ...week, weekdays: [] })).toBe(null);
    expect(() => lessonDayAfter(MONDAY, -1, week)).toThrow();
  });
});

describe("a slot that moves", () => {
  const plan = [slot("a", 2), slot("b", 1), slot("c", 2)];

  it("takes another place, and everything behind it moves along", () => {
    expect(days(slotAt(plan, "c", 0))).toEqual(["c 11-23 11-24", "a 11-25 11-26", "b 11-27 11-27"]);
    expect(slotAt(plan, "a", 99).map(({ id }) => id)).toEqual(["b", "c", "a"]);
    expect(slotAt(plan, "x", 0)).toBe(plan);
  });

  it("leaves the dates behind it alone if so wished, as far as there is room", () => {
    const before = datesOfSlots(plan, MONDAY, week);
    const shorter = plan.map((one) => (one.id === "a" ? { ...one, lessons: 1 } : one));
    expect(days(keepDates(shorter, before, 1))).toEqual(["a 11-23 11-23", "b 11-25 11-25", "c 11-26 11-27"]);
    const longer = plan.map((one) => (one.id === "a" ? { ...one, lessons: 3 } : one));
    expect(days(keepDates(longer, before, 1))).toEqual(["a 11-23 11-25", "b 11-26 11-26", "c 11-27 11-30"]);
  });
});

describe("the skills of a slot", () => {
  it("share its lessons out in order", () => {
    const spans = skillsInSlot(["a", "b"], { fromDay: MONDAY, targetDay: "2026-11-27" }, week);
    expect(spans.map(({ fromDay, targetDay }) => [fromDay, targetDay])).toEqual([
      ["2026-11-23", "2026-11-25"],
      ["2026-11-26", "2026-11-27"],
    ]);
    const crowded = skillsInSlot(["a", "b", "c"], { fromDay: MONDAY, targetDay: MONDAY }, week);
    expect(crowded.every(({ fromDay, targetDay }) => fromDay === MONDAY && targetDay === MONDAY)).toBe(true);
  });
});

const holidays = fc.uniqueArray(fc.integer({ min: 0, max: 200 }), { maxLength: 40 });
const calendars = fc.record({
  weekdays: fc.subarray([1, 2, 3, 4, 5], { minLength: 1 }),
  holidays: holidays.map((list) => new Set(list.map((n) => dayNumber(MONDAY) + n))),
});
const plans = fc.array(
  fc.record({
    lessons: fc.integer({ min: 1, max: 12 }),
    skipped: fc.boolean(),
    ownDay: fc.option(fc.integer({ min: -5, max: 120 })),
  }),
  { maxLength: 12 },
);
const asSlots = (drawn: readonly { lessons: number; skipped: boolean; ownDay: number | null }[]) =>
  drawn.map(({ ownDay, ...rest }, n) => ({
    id: String(n),
    ...rest,
    fromDay: ownDay === null ? null : dayOfNumber(dayNumber(MONDAY) + ownDay),
  }));

describe("whatever the plan and the calendar", () => {
  it("dates rise, take as many lessons as stated, and fall on lesson days", () => {
    fc.assert(
      fc.property(plans, calendars, (drawn, calendar) => {
        const slots = asSlots(drawn);
        let last = "";
        for (const [place, { dates }] of datesOfSlots(slots, MONDAY, calendar).entries()) {
          if (!dates) continue;
          expect(dates.fromDay > last).toBe(true);
          expect(dates.targetDay >= dates.fromDay).toBe(true);
          expect(isLessonDay(dayNumber(dates.fromDay), calendar)).toBe(true);
          expect(isLessonDay(dayNumber(dates.targetDay), calendar)).toBe(true);
          expect(lessonsBetween(dates.fromDay, dates.targetDay, calendar)).toBe(slots[place]?.lessons);
          last = dates.targetDay;
        }
      }),
    );
  });

  it("no slot is lost by a move, and the others keep their order", () => {
    fc.assert(
      fc.property(plans, fc.integer({ min: 0, max: 13 }), fc.integer({ min: -2, max: 14 }), (drawn, which, to) => {
        const slots = asSlots(drawn);
        const moved = slotAt(slots, String(which), to);
        const names = moved.map(({ id }) => id);
        expect([...names].sort()).toEqual(slots.map(({ id }) => id).sort());
        expect(names.filter((id) => id !== String(which))).toEqual(
          slots.map(({ id }) => id).filter((id) => id !== String(which)),
        );
      }),
    );
  });

  it("a slot's skills lie within it, in order, and leave no lesson out", () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 6 }),
        fc.integer({ min: 1, max: 20 }),
        calendars,
        (count, lessons, calendar) => {
          const [only] = datesOfSlots([slot("a", lessons)], MONDAY, calendar);
          if (!only?.dates) return;
          const ids = Array.from({ length: count }, (_, n) => String(n));
          const spans = skillsInSlot(ids, only.dates, calendar);
          expect(spans[0]?.fromDay).toBe(only.dates.fromDay);
          expect(spans.at(-1)?.targetDay).toBe(only.dates.targetDay);
          for (const [place, { fromDay, targetDay }] of spans.entries()) {
            expect(fromDay <= targetDay).toBe(true);
            const before = spans[place - 1];
            if (!before) continue;
            expect(fromDay >= before.fromDay).toBe(true);
            if (lessons >= count) expect(fromDay > before.targetDay).toBe(true);
          }
          if (lessons >= count)
            expect(spans.reduce((sum, span) => sum + lessonsBetween(span.fromDay, span.targetDay, calendar), 0)).toBe(
              lessons,
            );
        },
      ),
    );
  });
});
