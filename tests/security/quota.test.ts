import { afterEach, beforeEach, expect, it } from "vitest";
import { importState } from "@/features/roster/reads/importView";
import { applyImport, beginImport } from "@/features/roster/writes/importRoster";
import { csv, fingerprintOf, START, type TestSchool, testSchool } from "../support/school";

let school: TestSchool;
beforeEach(async () => {
  school = await testSchool();
});
afterEach(() => school.close());

const DAY = 86_400_000;
const begin = async (key: string, n: number) =>
  beginImport(await school.teacher(key), {
    newClassName: `Class ${n}`,
    newClassGrade: 6,
    fileName: `${n}.csv`,
    bytes: csv(`id,first,last,grade\n${key}-${n},A,B,6`),
  });
const waiting = async () => (await school.db.read.query.rosterDrafts.findMany()).map(({ fileName }) => fileName);

it("of one person ten roster files wait, the oldest making room; others' stay, and applied ones too", async () => {
  const applied = await begin("ana", 0);
  const ana = await school.teacher();
  await applyImport(ana, { draftId: applied, fingerprint: await fingerprintOf(ana, applied) });
  await begin("ben", 100);
  for (let n = 1; n <= 14; n++) {
    school.setNow(START + n * 1000);
    await begin("ana", n);
  }
  const names = await waiting();
  expect(names).toHaveLength(12);
  expect(names).toEqual(expect.arrayContaining(["0.csv", "100.csv", "5.csv", "14.csv"]));
  expect(names).not.toContain("4.csv");
});

it("files that were not applied are forgotten after a week, and asking for one says so", async () => {
  const old = await begin("ana", 1);
  school.setNow(START + 8 * DAY);
  await begin("ben", 2);
  expect(await waiting()).toEqual(["2.csv"]);
  await expect(importState(await school.teacher(), old)).rejects.toMatchObject({ code: expect.stringMatching(/not-/) });
});
