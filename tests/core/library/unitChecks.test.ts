import fc from "fast-check";
import { expect, it } from "vitest";
import { broughtAlong, unitChecks } from "@/core/library/unitChecks";

const unit = [
  { id: "language", prerequisites: ["times"] },
  { id: "ratios", prerequisites: ["language", "fractions", "times"] },
  { id: "tables", prerequisites: ["ratios"] },
];

it("looks before a unit at what most of it builds on, midway at its first half, at the end at all", () => {
  expect(broughtAlong(unit)).toEqual(["times", "fractions"]);
  expect(unitChecks(unit)).toEqual([
    { moment: "before", skillIds: ["times", "fractions"], items: 4 },
    { moment: "midway", skillIds: ["language", "ratios"], items: 8 },
    { moment: "end", skillIds: ["language", "ratios", "tables"], items: 12 },
  ]);
});

it("proposes nothing before a unit that builds on nothing, and asks enough about one skill alone", () => {
  expect(unitChecks([{ id: "counting", prerequisites: [] }])).toEqual([
    { moment: "midway", skillIds: ["counting"], items: 6 },
    { moment: "end", skillIds: ["counting"], items: 6 },
  ]);
});

it("never proposes what can't be given: one to six skills, 4 to 40 items, none twice", () => {
  const id = fc.constantFrom(..."abcdefghijklmnop");
  const skills = fc.uniqueArray(fc.record({ id, prerequisites: fc.uniqueArray(id) }), {
    selector: (skill) => skill.id,
  });
  fc.assert(
    fc.property(skills, (drawn) => {
      for (const { skillIds, items } of unitChecks(drawn)) {
        expect(skillIds.length).toBeGreaterThan(0);
        expect(new Set(skillIds).size).toBe(skillIds.length);
        expect(skillIds.length).toBeLessThanOrEqual(6);
        expect(items).toBeGreaterThanOrEqual(4);
        expect(items).toBeLessThanOrEqual(40);
      }
    }),
  );
});
