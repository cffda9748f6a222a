import { afterEach, beforeEach, expect, it } from "vitest";
import { frameworkFile } from "@/features/library/reads/frameworkFile";
import { standardsPage } from "@/features/library/reads/standards";
import { readCase } from "@/formats/standards/readCase";
import { type TestSchool, testSchool } from "../support/school";

let school: TestSchool;
beforeEach(async () => {
  school = await testSchool();
});
afterEach(() => school.close());

it("shows a framework's standards with their skills, to staff only", async () => {
  const view = await standardsPage(await school.teacher(), null);
  expect(view.framework.title).toBe("Weir Valley Learning Standards");
  const strand = view.standards.find(({ code }) => code === "WV R");
  const standard = view.standards.find(({ code }) => code === "WV 4.R1");
  expect(standard).toMatchObject({ parentId: strand?.id, skills: [{ id: "times-as-many", name: "Times as many" }] });
  await expect(standardsPage(await school.teacher(), "gone")).rejects.toMatchObject({ code: "not-found" });
  await expect(standardsPage(school.student("s"), null)).rejects.toMatchObject({ code: "not-allowed" });
});

it("gives a framework as a standards file that reads back whole, with the same identifiers each time", async () => {
  const context = await school.teacher();
  const view = await standardsPage(context, null);
  const { bytes, name, type } = await frameworkFile(context, view.framework.id);
  expect([name, type]).toEqual(["weir-valley-learning-standards.json", "application/json; charset=utf-8"]);
  expect((await frameworkFile(context, view.framework.id)).bytes).toEqual(bytes);
  const read = readCase(bytes);
  if (!read.ok) throw new Error(JSON.stringify(read.faults));
  const { standards, document } = read.package;
  expect(document).toMatchObject({ title: view.framework.title, version: view.framework.version });
  const ids = new Map(standards.map(({ caseId, code }) => [caseId, code]));
  expect(ids.size).toBe(view.standards.length);
  expect(
    [...ids.keys()].every((id) => /^[0-9a-f]{8}-[0-9a-f]{4}-8[0-9a-f]{3}-a[0-9a-f]{3}-[0-9a-f]{12}$/.test(id)),
  ).toBe(true);
  expect(
    standards.map(({ code, statement, gradeLow, gradeHigh, parentCaseId }) => ({
      code,
      statement,
      gradeLow,
      gradeHigh,
      parent: parentCaseId === null ? null : ids.get(parentCaseId),
    })),
  ).toEqual(
    view.standards.map(({ code, statement, gradeLow, gradeHigh, parentId }) => ({
      code,
      statement,
      gradeLow,
      gradeHigh,
      parent: view.standards.find(({ id }) => id === parentId)?.code ?? null,
    })),
  );
  await expect(frameworkFile(context, "gone")).rejects.toMatchObject({ code: "not-found" });
  await expect(frameworkFile(school.student("s"), view.framework.id)).rejects.toMatchObject({ code: "not-allowed" });
});
