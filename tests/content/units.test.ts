import { readFileSync } from "node:fs";
import { expect, it } from "vitest";
import { parse } from "yaml";
import { ContentFault } from "@/server/content/contentFault";
import { readUnit } from "@/server/content/contentSchema";
import { demandWhole } from "@/server/content/demandWhole";
import { shippedContent } from "~/demo/shippedContent";

const [language, mathematics] = ["language", "mathematics"].map((id) => {
  const found = shippedContent().find(({ subject }) => subject.id === id);
  if (!found) throw new Error(`No ${id} ships.`);
  return found;
}) as [ReturnType<typeof shippedContent>[number], ReturnType<typeof shippedContent>[number]];

it("holds every skill of mathematics from grade 3 to 8 in one unit", () => {
  const skills = mathematics.skills.filter(({ grade }) => grade >= 3).map(({ id }) => id);
  expect(mathematics.units.flatMap((unit) => unit.skills).sort()).toEqual([...skills].sort());
});

it.each([3, 4, 5, 6, 7, 8])("fills most of a school year of grade %i", (grade) => {
  const own = mathematics.units.filter((unit) => unit.grade === grade);
  const weeks = own.reduce((sum, unit) => sum + unit.weeks, 0);
  expect(weeks).toBeGreaterThanOrEqual(24);
  expect(weeks).toBeLessThanOrEqual(32);
});

const units = [...mathematics.units, ...language.units];

it("gives a teacher about an hour to study for each", () => {
  for (const { id, guide } of units) {
    const minutes = guide.study.reduce((sum, task) => sum + task.minutes, 0);
    expect(minutes, id).toBeGreaterThanOrEqual(50);
    expect(minutes, id).toBeLessThanOrEqual(70);
  }
});

it("says nothing twice", () => {
  const told = units.flatMap(({ guide }) => [
    guide.builds,
    ...guide.trips.map(({ help }) => help),
    ...guide.study.flatMap(({ task, afterwards }) => [task, afterwards]),
  ]);
  const seen = new Set<string>();
  expect(told.filter((text) => seen.size === seen.add(text).size)).toEqual([]);
});

it("refuses a unit that lasts too long, lacks a check or holds a skill that comes too early", () => {
  const file = "content/mathematics/units/grade-6/below-zero.yaml";
  const written = parse(readFileSync(file, "utf8"));
  expect(readUnit(written, file).weeks).toBe(3);
  expect(() => readUnit({ ...written, weeks: 7 }, file)).toThrow(ContentFault);
  expect(() => readUnit({ ...written, checks: { before: "x", midway: "y" } }, file)).toThrow("checks.end");
  const turned = { ...mathematics, units: [...mathematics.units].reverse() };
  expect(() => demandWhole(turned, "content/mathematics")).toThrow("comes later");
  const twice = { ...mathematics, units: [...mathematics.units, ...mathematics.units.slice(0, 1)] };
  expect(() => demandWhole(twice, "content/mathematics")).toThrow("two places");
});
