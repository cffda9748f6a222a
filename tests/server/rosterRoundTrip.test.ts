import fc from "fast-check";
import { afterEach, beforeEach, describe, expect, it } from "vitest";
import { makeGroup } from "@/features/regroup/writes/groups";
import { rosterPackage, rosterSheet } from "@/features/roster/reads/exportRoster";
import { makeClass } from "@/features/roster/writes/classes";
import { archiveStudent } from "@/features/roster/writes/students";
import { setSupports } from "@/features/roster/writes/supports";
import { writeOneRoster } from "@/formats/package/writeOneRoster";
import { writeSheet } from "@/formats/table/writeSheet";
import { undoChange } from "@/server/history/undoChange";
import { applyFile, packageOf, previewFile, randomRoster } from "../support/rosterFiles";
import { START, type TestSchool, testSchool } from "../support/school";

let school: TestSchool;
beforeEach(async () => {
  school = await testSchool();
});
afterEach(() => school.close());

const fresh = async () => {
  school.close();
  school = await testSchool();
};
const cora = () => school.teacher("cora");
const bytesOf = async () => writeOneRoster(await rosterPackage(await cora()));

/** All that anybody can see of the roster from outside. */
const everything = async () =>
  JSON.stringify([(await rosterPackage(await cora())).tables, await rosterSheet(await cora(), [])]);

describe("what goes out comes in without a difference", () => {
  it("as a package, whatever is in the roster, and on another day", async () => {
    await fc.assert(
      fc.asyncProperty(randomRoster, async (roster) => {
        await fresh();
        const file = writeOneRoster(packageOf(roster));
        await applyFile(school, "in.zip", file);
        school.setNow(START + 3 * 86_400_000);
        // Some enrollments have ended by themselves meanwhile: neither file brings them back.
        expect((await previewFile(school, "in.zip", file)).firstPage.entries).toEqual([]);
        const back = await previewFile(school, "out.zip", await bytesOf());
        expect(back.faults).toEqual([]);
        expect(back.firstPage.entries).toEqual([]);
      }),
      { seed: 20261123, numRuns: 6 },
    );
  });

  it.each(["csv", "tsv", "xlsx"] as const)("as a sheet in %s, with groups and supports", async (format) => {
    await fc.assert(
      fc.asyncProperty(randomRoster, async (roster) => {
        await fresh();
        await applyFile(school, "in.zip", writeOneRoster(packageOf(roster)));
        await dress();
        const sheet = await writeSheet(await rosterSheet(await cora(), []), format, "Roster");
        const back = await previewFile(school, `out.${format}`, sheet);
        expect(back.faults).toEqual([]);
        expect(back.firstPage.entries).toEqual([]);
      }),
      { seed: 20261123, numRuns: 3 },
    );
  });

  it("the source's own file again changes nothing, and an undo leaves no trace", async () => {
    const [roster] = fc.sample(randomRoster, { seed: 7, numRuns: 1 });
    const file = writeOneRoster(packageOf(roster as NonNullable<typeof roster>));
    const before = await everything();
    const changeId = await applyFile(school, "in.zip", file);
    expect((await previewFile(school, "in.zip", file)).firstPage.total).toBe(0);
    await undoChange(await cora(), changeId);
    expect(await everything()).toBe(before);
  });

  it("changes since a day go out as delta files, and bring another copy of the school up to date", async () => {
    const [roster] = fc.sample(randomRoster, { seed: 3, numRuns: 1 });
    const file = writeOneRoster(packageOf(roster as NonNullable<typeof roster>));
    await applyFile(school, "in.zip", file);
    const copy = await testSchool();
    await applyFile(copy, "in.zip", file);
    school.setNow(START + 2 * 86_400_000);
    const [first] = (await school.db.read.query.people.findMany()).filter(({ kind }) => kind === "student");
    await archiveStudent(await cora(), { studentId: first?.id });
    const delta = await rosterPackage(await cora(), "2026-11-25");
    expect(delta.tables.users).toMatchObject({
      mode: "delta",
      rows: [{ sourcedId: first?.sourcedId, status: "tobedeleted" }],
    });
    expect(delta.tables.classes?.rows).toEqual([]);
    await applyFile(copy, "delta.zip", writeOneRoster(delta));
    const there = (await copy.db.read.query.people.findMany()).find(({ sourcedId }) => sourcedId === first?.sourcedId);
    expect(there?.archivedAt).not.toBeNull();
    copy.close();
  });

  it("a class of a teacher's own goes out, comes in, and is never ended by a file", async () => {
    const [roster] = fc.sample(randomRoster, { seed: 9, numRuns: 1 });
    const file = writeOneRoster(packageOf(roster as NonNullable<typeof roster>));
    await applyFile(school, "in.zip", file);
    await makeClass(await cora(), { classId: school.runtime.newId(), name: "Club", subject: "Mathematics", grade: 5 });
    expect((await previewFile(school, "in.zip", file)).firstPage.total).toBe(0);
    expect((await previewFile(school, "out.zip", await bytesOf())).firstPage.total).toBe(0);
  });
});

/** Gives the first students a group and supports. */
async function dress(): Promise<void> {
  const context = await cora();
  const [, ...rows] = await rosterSheet(context, []);
  const numbers = rows.map((row) => row[0]);
  const people = (await school.db.read.query.people.findMany()).filter(
    ({ studentNumber, kind }) => kind === "student" && numbers.includes(studentNumber ?? ""),
  );
  const [first, second] = people;
  if (!first) return;
  const supports = {
    timeFactor: 1.25,
    readAloud: true,
    largerText: false,
    itemShare: 0.75,
    separateSetting: true,
    homeLanguage: "Polish, and some German",
    leaveOutOfTests: true,
    leaveOutReason: "new to the language: since October",
  };
  await setSupports(context, { ...supports, studentId: first.id });
  const inClass = (await school.db.read.query.enrollments.findMany()).map(({ personId }) => personId);
  const members = [first, ...(second ? [second] : [])].filter(({ id }) => inClass.includes(id)).map(({ id }) => id);
  if (members.length === 0) return;
  await makeGroup(context, {
    id: school.runtime.newId(),
    name: "Number talk, early",
    fromDay: "2026-11-23",
    slots: ["1-1"],
    studentIds: members,
  });
}
