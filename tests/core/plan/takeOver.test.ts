import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { laterChanges } from "@/core/plan/laterChanges";
import { takeOver } from "@/core/plan/takeOver";

interface Slot {
  readonly id: string;
  readonly originId: string | null;
  readonly originWas: string | null;
  readonly content: string;
}
const withContent = (slot: Slot, content: string): Slot => ({ ...slot, content });
const made = (originId: string, content: string): Slot => ({
  id: `copy of ${originId}`,
  originId,
  originWas: content,
  content,
});
const copyOf = (original: readonly { id: string; content: string }[]) =>
  original.map(({ id, content }) => made(id, content));
const since = (
  copy: readonly Slot[],
  original: readonly { id: string; content: string }[],
  known: readonly string[],
) => {
  const there = new Set(copy.flatMap(({ originId }) => originId ?? []));
  return laterChanges(copy, original, new Set(known.filter((id) => !there.has(id))), Object.is);
};
const old = ["a", "b", "c"].map((id) => ({ id, content: "1" }));
const now = [
  { id: "a", content: "2" },
  { id: "n", content: "1" },
  { id: "c", content: "1" },
];

describe("later changes of an original", () => {
  it("are taken over slot by slot: changed, new behind the one that it follows, and gone", () => {
    const copy = copyOf(old);
    const changes = since(copy, now, ["a", "b", "c"]).map((change) => ({ change, taken: true }));
    const { slots, known } = takeOver(copy, changes, withContent, made);
    expect(slots.map(({ originId, content }) => `${originId}${content}`)).toEqual(["a2", "n1", "c1"]);
    expect(known).toEqual(["n"]);
  });

  it("that are turned down leave the copy as it is, and are not offered again", () => {
    const copy = copyOf(old);
    const changes = since(copy, now, ["a", "b", "c"]).map((change) => ({ change, taken: false }));
    const { slots, known } = takeOver(copy, changes, withContent, made);
    expect(slots.map(({ content, id }) => [id, content])).toEqual(copy.map(({ content, id }) => [id, content]));
    expect(since(slots, now, ["a", "b", "c", ...known])).toEqual([]);
    // A further change of the same slot is offered again.
    const later = now.map((slot) => (slot.id === "a" ? { ...slot, content: "3" } : slot));
    expect(since(slots, later, ["a", "b", "c", ...known])).toMatchObject([{ what: "changed", originId: "a", to: "3" }]);
  });

  it("are none once all were dealt with, whatever was changed on either side; slots made in the copy stay", () => {
    const slot = fc.record({ id: fc.constantFrom(..."abcdef"), content: fc.constantFrom("1", "2", "3") });
    const plan = fc.uniqueArray(slot, { selector: ({ id }) => id });
    fc.assert(
      fc.property(plan, plan, fc.array(fc.boolean(), { minLength: 12, maxLength: 12 }), (before, after, takes) => {
        const copy = [...copyOf(before), { id: "own", originId: null, originWas: null, content: "9" }];
        const ids = before.map(({ id }) => id);
        const changes = since(copy, after, ids).map((change, n) => ({ change, taken: takes[n] ?? false }));
        const { slots, known } = takeOver<string, Slot>(copy, changes, withContent, made);
        expect(since(slots, after, [...ids, ...known])).toEqual([]);
        expect(slots.some(({ id }) => id === "own")).toBe(true);
        expect(new Set(slots.map(({ id }) => id)).size).toBe(slots.length);
        const left = new Set(
          changes.flatMap(({ change, taken }) => (taken && "slotId" in change ? [change.slotId] : [])),
        );
        for (const one of copy)
          if (!left.has(one.id)) expect(slots.find(({ id }) => id === one.id)?.content).toBe(one.content);
      }),
    );
  });
});
