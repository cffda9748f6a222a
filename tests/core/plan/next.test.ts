import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { laterChanges } from "@/core/plan/laterChanges";
import { nextFromPlan, type OfferedSlot, type PlanMoment, type PlanStudent } from "@/core/plan/nextFromPlan";
import { orderFaults } from "@/core/plan/orderFaults";
import { inPrecedence, PRECEDENCE } from "@/core/plan/precedence";
import { shareDone } from "@/core/plan/shareDone";
import { startingSlot, startingSlotOfGrade } from "@/core/plan/startingSlot";

const day = (n: number) => `2026-11-${String(n).padStart(2, "0")}`;
const week = (n: number) => ({ fromDay: day(9 + 7 * n), targetDay: day(13 + 7 * n) });
const slots: readonly OfferedSlot[] = [
  { id: "1", skillIds: ["a", "b"], where: "both", dates: week(0) },
  { id: "2", skillIds: ["c"], where: "school", dates: week(1) },
  { id: "3", skillIds: ["d"], where: "both", dates: week(2) },
  { id: "off", skillIds: ["e"], where: "both", dates: null },
];
const BASE: Readonly<Record<string, readonly string[]>> = { c: ["x"], x: ["y"] };
const under = (id: string) => BASE[id] ?? [];
const student = (mastered: readonly string[], over: Partial<PlanStudent> = {}): PlanStudent => ({
  isMastered: (id) => mastered.includes(id),
  chanceOf: () => 0.5,
  rests: () => false,
  startSlotId: null,
  ...over,
});
const at = (over: Partial<PlanMoment> = {}): PlanMoment => ({
  pace: "own",
  today: "2026-11-18",
  place: "school",
  ...over,
});
const next = (who: PlanStudent, when = at()) => nextFromPlan(slots, who, when, under);

describe("what a plan gives next", () => {
  it("is the first skill that is not mastered, at one's own pace also before its dates", () => {
    expect(next(student([]))?.skillId).toBe("a");
    expect(next(student(["a", "b", "c"]))?.skillId).toBe("d");
    expect(next(student(["a", "b", "c", "d"]))).toBe(null);
  });

  it("is with the class's dates what is taught now, then what is left, then what lies ahead", () => {
    expect(next(student([]), at({ pace: "class" }))?.skillId).toBe("c");
    expect(next(student(["c"]), at({ pace: "class" }))?.skillId).toBe("a");
    expect(next(student(["a", "b", "c"]), at({ pace: "class" }))?.skillId).toBe("d");
    expect(next(student(["a", "b", "c", "d"]), at({ pace: "class" }))).toBe(null);
  });

  it("is not at home what may be done at school only", () => {
    expect(next(student(["a", "b"]), at({ place: "home" }))?.skillId).toBe("d");
    expect(next(student([]), at({ pace: "class", place: "home" }))?.skillId).toBe("a");
    expect(next(student(["a", "b", "d"]), at({ place: "home" }))).toBe(null);
    expect(next(student(["a", "b", "d"]), at({ place: "both" }))?.skillId).toBe("c");
  });

  it("is something else where a skill rests, and that skill again when nothing else is open", () => {
    const tired = (...ids: string[]) => ({ rests: (id: string) => ids.includes(id) });
    expect(next(student([], tired("a")))?.skillId).toBe("b");
    expect(next(student(["b", "c"], tired("a")))?.skillId).toBe("d");
    expect(next(student(["b", "c", "d"], tired("a")))?.skillId).toBe("a");
    // What lies under it comes before anything else, the weakest first.
    expect(next(student(["a", "b"], tired("c")))).toEqual({ slotId: "2", skillId: "x", missingForId: "c" });
    expect(next(student(["a", "b", "x"], tired("c")))?.skillId).toBe("d");
  });

  it("is not at home, underneath either, what is planned for school alone", () => {
    const home = [...slots.slice(0, 3), { id: "4", skillIds: ["f"], where: "both" as const, dates: week(2) }];
    const weak = student(["a", "b"], { chanceOf: () => 0.1 });
    const builds = (id: string) => (id === "d" ? ["c"] : id === "f" ? ["z"] : []);
    expect(nextFromPlan(home, weak, at({ place: "home" }), builds)?.skillId).toBe("z");
    // Rather a skill for which something is missing than nothing.
    expect(nextFromPlan(home.slice(0, 3), weak, at({ place: "home" }), builds)).toEqual({
      slotId: "3",
      skillId: "d",
      missingForId: null,
    });
  });

  it("is what is missing underneath, down to what stands on something, and begins where the student begins", () => {
    const gap = student(["a", "b"], { chanceOf: (id) => (id === "x" || id === "y" ? 0.1 : 0.6) });
    expect(next(gap)).toEqual({ slotId: "2", skillId: "y", missingForId: "c" });
    expect(next(student(["a", "b", "y"], { chanceOf: () => 0.1 }))?.skillId).toBe("x");
    expect(next(student([], { startSlotId: "2" }))?.skillId).toBe("c");
  });

  it("ends where prerequisites go round in a circle", () => {
    const circle = nextFromPlan(slots, student([], { chanceOf: () => 0 }), at(), (id) => (id === "a" ? ["b"] : ["a"]));
    expect(circle?.skillId).toBe("b");
  });

  it("is never mastered, never out of place, there whenever a skill is open, and ahead of the class's dates only when nothing else is", () => {
    const skill = fc.constantFrom(..."abcdexy");
    fc.assert(
      fc.property(
        fc.uniqueArray(skill),
        fc.constantFrom("own" as const, "class" as const),
        fc.constantFrom("school" as const, "home" as const),
        fc.integer({ min: 9, max: 29 }).map(day),
        fc.double({ min: 0, max: 1, noNaN: true }),
        (mastered, pace, place, today, chance) => {
          const found = next(student(mastered, { chanceOf: () => chance }), { pace, place, today });
          const isOpen = (slot: OfferedSlot) =>
            slot.dates !== null &&
            (slot.where === "both" || slot.where === place) &&
            slot.skillIds.some((id) => !mastered.includes(id));
          expect(found === null).toBe(!slots.some(isOpen));
          if (!found) return;
          const slot = slots.find(({ id }) => id === found.slotId);
          expect(mastered).not.toContain(found.skillId);
          expect(slot?.where === "both" || slot?.where === place).toBe(true);
          expect(slot?.dates).not.toBe(null);
          const begun = slots.filter(({ dates }) => dates !== null && dates.fromDay <= today);
          if (pace === "class" && begun.some(isOpen)) expect(begun).toContain(slot);
        },
      ),
    );
  });
});

it("work that is due goes before detours, those before the plan, review and free choice", () => {
  const pieces = [...PRECEDENCE].reverse().map((kind) => ({ kind, dueDay: null }));
  expect(inPrecedence(pieces).map(({ kind }) => kind)).toEqual(["due-work", "detour", "plan", "review", "free-choice"]);
  const due = ["2026-12-02", null, "2026-11-30", "2026-12-01"].map((dueDay) => ({ kind: "due-work" as const, dueDay }));
  expect(inPrecedence(due).map(({ dueDay }) => dueDay)).toEqual(["2026-11-30", "2026-12-01", "2026-12-02", null]);
});

it("a beginning leaves out only what is there, and lies further on the less is asked for", () => {
  const plan = fc.array(
    fc.record({ id: fc.uuid(), skillIds: fc.array(fc.constantFrom(..."abcdef"), { maxLength: 3 }) }),
  );
  const chances = fc.dictionary(fc.constantFrom(..."abcdef"), fc.double({ min: 0, max: 1, noNaN: true }));
  fc.assert(
    fc.property(plan, chances, (slotsOf, known) => {
      const chanceOf = (id: string) => known[id] ?? 0;
      const placeOf = (reached: number) =>
        slotsOf.findIndex(({ id }) => id === startingSlot(slotsOf, chanceOf, reached));
      const start = placeOf(0.8);
      if (slotsOf.every(({ skillIds }) => skillIds.length === 0)) {
        expect(start).toBe(-1);
        return;
      }
      for (const { skillIds } of slotsOf.slice(0, start))
        for (const id of skillIds) expect(chanceOf(id)).toBeGreaterThanOrEqual(0.8);
      expect(placeOf(0.4)).toBeGreaterThanOrEqual(start);
    }),
  );
});

describe("the order of a plan", () => {
  it("is at fault where a skill comes before what it builds on, with the slot that it has to follow", () => {
    const plan = [
      { id: "1", skillIds: ["c"] },
      { id: "2", skillIds: ["z"] },
      { id: "3", skillIds: ["x"] },
    ];
    expect(orderFaults(plan, under)).toEqual([{ slotId: "1", skillId: "c", buildsOnId: "x", laterSlotId: "3" }]);
    const [fault] = orderFaults(plan, under);
    const [first, ...others] = plan;
    const mended = [...others];
    if (first) mended.splice(mended.findIndex(({ id }) => id === fault?.laterSlotId) + 1, 0, first);
    expect(orderFaults(mended, under)).toEqual([]);
  });

  it("may leave out what was taught earlier, teach in one slot what builds on each other, and come back to a skill", () => {
    expect(orderFaults([{ id: "1", skillIds: ["c"] }], under)).toEqual([]);
    expect(orderFaults([{ id: "1", skillIds: ["c", "x"] }], under)).toEqual([]);
    const again = [
      { id: "1", skillIds: ["x"] },
      { id: "2", skillIds: ["c"] },
      { id: "3", skillIds: ["x"] },
    ];
    expect(orderFaults(again, under)).toEqual([]);
  });
});

it("a share is of what counts, and each skill counts once", () => {
  const plan = [
    { counted: true, skipped: false, skillIds: ["a", "b"] },
    { counted: true, skipped: false, skillIds: ["b"] },
    { counted: true, skipped: true, skillIds: ["c"] },
    { counted: false, skipped: false, skillIds: ["d"] },
  ];
  expect(shareDone(plan, (id) => id === "b" || id === "d")).toEqual({ done: 1, of: 2 });
  expect(shareDone([], () => true)).toBe(null);
});

it("a student begins at the first slot that is not there yet, or at the grade's first", () => {
  const plan = [
    { id: "1", skillIds: ["a"] },
    { id: "text", skillIds: [] },
    { id: "2", skillIds: ["b", "c"] },
  ];
  expect(startingSlot(plan, (id) => (id === "c" ? 0.2 : 0.9), 0.8)).toBe("2");
  expect(startingSlot(plan, () => 1, 0.8)).toBe("2");
  expect(startingSlot([], () => 0, 0.8)).toBe(null);
  expect(startingSlotOfGrade(plan, (id) => (id === "a" ? 4 : 6), 5)).toBe("2");
  expect(startingSlotOfGrade(plan, () => 4, 8)).toBe("2");
});

describe("what became of an original since it was copied", () => {
  const copy = (id: string, originId: string | null, originWas: string | null, content: string) => ({
    id,
    originId,
    originWas,
    content,
  });
  it("is offered slot by slot, with what was changed here too", () => {
    const mine = [
      copy("1", "a", "x", "x"),
      copy("2", "b", "x", "mine"),
      copy("3", "c", "x", "x"),
      copy("4", null, null, "own"),
    ];
    const theirs = [
      { id: "new", content: "n" },
      { id: "a", content: "x" },
      { id: "b", content: "theirs" },
    ];
    expect(laterChanges(mine, theirs, new Set(), Object.is)).toEqual([
      { what: "new", originId: "new", afterOriginId: null, to: "n" },
      { what: "changed", slotId: "2", originId: "b", to: "theirs", clash: true },
      { what: "gone", slotId: "3", originId: "c", clash: false },
    ]);
    expect(laterChanges(mine, theirs.slice(0, 1), new Set(["new"]), Object.is).map(({ what }) => what)).toEqual([
      "gone",
      "gone",
      "gone",
    ]);
  });

  it("is nothing where nothing changed, or both came to the same", () => {
    expect(laterChanges([copy("1", "a", "x", "y")], [{ id: "a", content: "x" }], new Set(), Object.is)).toEqual([]);
    expect(laterChanges([copy("1", "a", "x", "y")], [{ id: "a", content: "y" }], new Set(), Object.is)).toEqual([]);
  });
});
