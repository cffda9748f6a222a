import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { datesOfSlots, type TimedSlot } from "@/core/plan/datesOfSlots";
import { editSlots, type SlotEdit } from "@/core/plan/editSlots";

const week = { holidays: new Set<number>(), weekdays: [1, 2, 3, 4, 5] };
const FIRST = "2026-11-23";
const slot = (id: string, lessons: number): TimedSlot => ({ id, lessons, fromDay: null, skipped: false });
const plan = [slot("a", 2), slot("b", 1), slot("c", 2)];
const before = datesOfSlots(plan, FIRST, week);
const begins = (slots: readonly TimedSlot[]) =>
  datesOfSlots(slots, FIRST, week).map(({ id, dates }) => `${id} ${dates?.fromDay.slice(8) ?? "none"}`);
const edited = (edit: SlotEdit<TimedSlot>, behind: "move-along" | "keep-dates" = "move-along") =>
  begins(editSlots(plan, edit, behind, before));

describe("a change of a plan", () => {
  it("moves what lies behind along", () => {
    expect(edited({ what: "change", slotId: "a", values: { lessons: 4 } })).toEqual(["a 23", "b 27", "c 30"]);
    expect(edited({ what: "remove", slotId: "a" })).toEqual(["b 23", "c 24"]);
    expect(edited({ what: "insert", slot: slot("x", 1), place: 1 })).toEqual(["a 23", "x 25", "b 26", "c 27"]);
    expect(edited({ what: "change", slotId: "b", values: { skipped: true } })).toEqual(["a 23", "b none", "c 25"]);
  });

  it("or leaves its dates, as far as there is room", () => {
    expect(edited({ what: "remove", slotId: "a" }, "keep-dates")).toEqual(["b 25", "c 26"]);
    expect(edited({ what: "change", slotId: "b", values: { skipped: true } }, "keep-dates")).toEqual([
      "a 23",
      "b none",
      "c 26",
    ]);
    expect(edited({ what: "insert", slot: slot("x", 1), place: 0 }, "keep-dates")).toEqual([
      "x 23",
      "a 24",
      "b 26",
      "c 27",
    ]);
    // What moves to the front takes the front; the others wait for the days that they had.
    expect(edited({ what: "move", slotId: "c", place: 0 }, "keep-dates")).toEqual(["c 23", "a 25", "b 27"]);
  });

  it("changes nothing where there is nothing to change", () => {
    expect(editSlots(plan, { what: "remove", slotId: "x" }, "move-along", before)).toBe(plan);
    expect(editSlots(plan, { what: "insert", slot: slot("a", 1), place: 0 }, "move-along", before)).toBe(plan);
  });

  it("loses no slot but the one that is taken out, and keeps the dates in order", () => {
    const edits: fc.Arbitrary<SlotEdit<TimedSlot>> = fc.oneof(
      fc.record({ what: fc.constant("move" as const), slotId: fc.constantFrom("a", "b", "c"), place: fc.nat(4) }),
      fc.record({
        what: fc.constant("change" as const),
        slotId: fc.constantFrom("a", "b", "c"),
        values: fc.record({ lessons: fc.integer({ min: 1, max: 9 }), skipped: fc.boolean() }),
      }),
      fc.nat(4).map((place) => ({ what: "insert" as const, slot: slot(`new ${place}`, 1), place })),
    );
    fc.assert(
      fc.property(fc.array(edits, { maxLength: 8 }), fc.constantFrom("move-along", "keep-dates"), (list, behind) => {
        let slots: readonly TimedSlot[] = plan;
        for (const edit of list) {
          const had = slots.map(({ id }) => id);
          slots = editSlots(slots, edit, behind, datesOfSlots(slots, FIRST, week));
          for (const id of had) expect(slots.filter((one) => one.id === id)).toHaveLength(1);
          const days = datesOfSlots(slots, FIRST, week).flatMap(({ dates }) => dates?.fromDay ?? []);
          expect([...days].sort()).toEqual(days);
        }
      }),
    );
  });
});
