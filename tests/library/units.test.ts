import { afterEach, beforeEach, expect, it } from "vitest";
import { notesFor } from "@/features/library/reads/notes";
import { skillPage } from "@/features/library/reads/skills";
import { unitPage, unitShelves } from "@/features/library/reads/units";
import { keepNote } from "@/features/library/writes/notes";
import { installContent } from "@/server/content/installContent";
import { undoChange } from "@/server/history/undoChange";
import type { Context } from "@/server/runtime/context";
import { makeClass, type TestSchool, testSchool } from "../support/school";
import { smallLibrary } from "../support/smallLibrary";

let school: TestSchool;
let ana: Context;
beforeEach(async () => {
  school = await testSchool();
  ana = await school.teacher();
});
afterEach(() => school.close());

it("lists the units of the class's grade with their skills and codes", async () => {
  const { classId } = await makeClass(school, 1);
  const { units, start } = await unitShelves(ana, [classId]);
  expect(start).toEqual({ subjectId: "mathematics", grade: 6 });
  expect(units.filter(({ grade }) => grade === 6).map(({ name }) => name)).toEqual(["Ratios", "Rates and percents"]);
  expect(units[0]?.skills[0]).toMatchObject({ code: expect.stringMatching(/^WV/) });
});

it("shows a unit with what its skills bring, what stands around it, and assessments that can be given", async () => {
  const unit = await unitPage(ana, "how-amounts-go-together");
  expect(unit.skills.map(({ id }) => id)).toEqual(["ratio-language", "equivalent-ratios", "ratio-tables"]);
  expect(unit.words.length).toBeGreaterThan(2);
  expect(unit.buildsOn.map(({ id }) => id)).toEqual(["times-as-many", "equivalent-fractions"]);
  expect(unit.leadsTo.map(({ id }) => id)).toContain("unit-rates");
  expect(unit.checks.map(({ moment, items }) => [moment, items])).toEqual([
    ["before", 4],
    ["midway", 8],
    ["end", 12],
  ]);
  expect(unit.earlier).toBe(null);
  expect(unit.later?.name).toBe("Rates and percents");
  const skill = await skillPage(ana, "ratio-tables", 0);
  expect(skill.unit).toEqual({ id: "how-amounts-go-together", name: "Ratios" });
});

it("keeps a note on a unit and takes it back", async () => {
  const about = { about: "unit", aboutId: "how-amounts-go-together" } as const;
  const { changeId } = await keepNote(ana, { ...about, text: "Bring paint.", shared: true });
  const ben = await school.teacher("ben");
  expect((await notesFor(ben, "unit", about.aboutId)).shared.map(({ text }) => text)).toEqual(["Bring paint."]);
  await undoChange(ana, changeId ?? "");
  expect((await notesFor(ana, "unit", about.aboutId)).own.text).toBe("");
  await expect(keepNote(ana, { ...about, aboutId: "no-such-unit", text: "x" })).rejects.toThrow("not known");
});

it("retires a unit that ships no more, and takes it back into use", async () => {
  const content = smallLibrary();
  const without = content.map((subject) => ({
    ...subject,
    units: subject.units.filter(({ id }) => id !== "how-amounts-go-together"),
  }));
  await installContent(school.runtime, without);
  await expect(unitPage(ana, "how-amounts-go-together")).rejects.toThrow("not known");
  expect((await unitShelves(ana, [])).units.map(({ id }) => id)).toContain("for-each-and-of-each-hundred");
  await installContent(school.runtime, content);
  expect((await unitPage(ana, "how-amounts-go-together")).weeks).toBe(4);
});
