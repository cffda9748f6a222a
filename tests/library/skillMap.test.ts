import fc from "fast-check";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { mapLayout, NODE } from "@/features/library/reads/mapLayout";
import { skillMap } from "@/features/library/reads/skillMap";
import { makeClass, type TestSchool, testSchool } from "../support/school";

let school: TestSchool;
beforeAll(async () => {
  school = await testSchool();
});
afterAll(() => school.close());

describe("a map of skills", () => {
  it("puts each to the right of what it builds on, no two over each other, and no grade beside another", () => {
    const graphs = fc
      .array(fc.record({ grade: fc.integer({ min: 1, max: 5 }), before: fc.array(fc.nat(), { maxLength: 3 }) }), {
        minLength: 1,
        maxLength: 30,
      })
      .map((all) =>
        all
          .sort((x, y) => x.grade - y.grade)
          .map(({ grade, before }, place) => ({
            id: `s${place}`,
            grade,
            prerequisites: place === 0 ? [] : [...new Set(before.map((one) => `s${one % place}`))],
          })),
      );
    fc.assert(
      fc.property(graphs, (skills) => {
        const { places, lines, width, height } = mapLayout(skills);
        const at = (id: string) => places.get(id) ?? { x: 0, y: 0, rank: 0 };
        for (const { from, to, points } of lines) {
          expect(at(from).x + NODE.width).toBeLessThan(at(to).x);
          expect(points.every(({ x, y }) => x >= 0 && x <= width && y <= height)).toBe(true);
        }
        for (const one of skills)
          for (const other of skills) {
            if (one.grade < other.grade) expect(at(one.id).x).toBeLessThan(at(other.id).x);
            const isApart =
              Math.abs(at(one.id).x - at(other.id).x) >= NODE.width ||
              Math.abs(at(one.id).y - at(other.id).y) >= NODE.height;
            if (one !== other) expect(isApart).toBe(true);
          }
      }),
      { numRuns: 40, seed: 4 },
    );
  });
  it("does not run for ever where skills build on each other in a circle", () => {
    const circle = ["a", "b"].map((id) => ({ id, grade: 4, prerequisites: [id === "a" ? "b" : "a"] }));
    expect(mapLayout(circle).places.size).toBe(2);
  });
  it("of one skill holds all that it stands on and what it opens, with the class's levels", async () => {
    const { classId } = await makeClass(school, 3);
    const ana = await school.teacher();
    const all = await skillMap(ana, { skillId: null, classIds: [] });
    const view = await skillMap(ana, { skillId: "unit-rates", classIds: [classId] });
    const ids = view.skills.map(({ id }) => id);
    expect(ids).toEqual(expect.arrayContaining(["equivalent-ratios", "times-as-many", "comparing-rates"]));
    expect(ids).not.toContain("percent-of-amounts");
    expect(all.skills.length).toBeGreaterThan(ids.length);
    expect(view.students).toBe(3);
    expect(view.skills.every(({ met, levels }) => met === 0 && levels.every((count) => count === 0))).toBe(true);
    await expect(skillMap(ana, { skillId: "nothing", classIds: [] })).rejects.toMatchObject({ code: "not-found" });
  });
});
