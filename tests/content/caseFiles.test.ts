import { existsSync, readFileSync, writeFileSync } from "node:fs";
import { afterAll, beforeAll, expect, it } from "vitest";
import { frameworkFile } from "@/features/library/reads/frameworkFile";
import { readCase } from "@/formats/standards/readCase";
import { installContent } from "@/server/content/installContent";
import { exchangeId } from "@/server/library/exchangeId";
import { shippedContent } from "~/demo/shippedContent";
import { type TestSchool, testSchool } from "~/tests/support/school";

const frameworks = shippedContent().flatMap((content) => {
  const all = [content, ...content.furtherFrameworks];
  return all.map(({ framework, standards, links: brought }) => {
    const own = new Set(standards.map(({ id }) => id));
    return {
      id: framework.id,
      file: `content/${content.subject.id}/frameworks/${framework.id}.case.json`,
      standards,
      // A link stands with what brought it, and with where it begins.
      links: all.flatMap(({ links }) => links.filter((link) => links === brought || own.has(link.from))),
    };
  });
});

let school: TestSchool;
beforeAll(async () => {
  school = await testSchool();
  await installContent(school.runtime, shippedContent());
});
afterAll(() => school.close());

it.each(frameworks)("$id ships as a standards file too, the one that Oxbow gives out", async ({ id, file }) => {
  const { bytes } = await frameworkFile(await school.teacher(), id);
  const text = new TextDecoder().decode(bytes);
  // `PIN=1 npx vitest run --project unit tests/content/caseFiles.test.ts` writes them anew.
  if (process.env.PIN) writeFileSync(file, text);
  expect(existsSync(file), `${file} is not there`).toBe(true);
  expect(text).toBe(readFileSync(file, "utf8"));
});

it.each(frameworks)(
  "$id is read from its file as it was written: tree, codes, grades and links",
  ({ file, standards, links }) => {
    const read = readCase(readFileSync(file));
    if (!read.ok) throw new Error(JSON.stringify(read.faults));
    const found = read.package;
    expect(found.standards.map(({ code, statement }) => [code, statement])).toEqual(
      standards.map(({ code, statement }) => [code, statement]),
    );
    const parents = new Map(found.standards.map(({ code, parentCaseId }) => [code, parentCaseId]));
    for (const { code, parentId } of standards)
      expect(parents.get(code) ?? null, code).toBe(parentId === undefined ? null : exchangeId(parentId));
    expect(found.standards.map(({ gradeLow, gradeHigh }) => [gradeLow, gradeHigh])).toEqual(
      standards.map(({ gradeLow = null, gradeHigh = null }) => [gradeLow, gradeHigh]),
    );
    expect(found.links.length).toBe(links.length);
  },
);
