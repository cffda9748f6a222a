import { afterEach, beforeEach, describe, expect, it } from "vitest";
import { errorKind } from "@/db/errorKind";
import { people } from "@/db/schema/people";
import { makeGroups } from "@/features/regroup/writes/makeGroups";
import { setSettings } from "@/features/roster/writes/settings";
import { correctStudent } from "@/features/roster/writes/students";
import { undoChange } from "@/server/history/undoChange";
import { kept } from "@/server/runtime/kept";
import { schoolOf } from "@/server/runtime/school";
import { give, givePractice, makeClass, open, type TestSchool, testSchool } from "../support/school";

let school: TestSchool;
beforeEach(async () => {
  school = await testSchool();
});
afterEach(() => school.close());

describe("what is kept in memory", () => {
  it("is forgotten by whatever writes its tables, and by the undo too", async () => {
    const coordinator = await school.teacher("cora");
    const minutes = async () => (await schoolOf(school.runtime, school.schoolId)).staffIdleMinutes;
    expect(await minutes()).toBe(120);
    const settings = {
      staffIdleMinutes: 45,
      studentIdleMinutes: 40,
      keepYears: 3,
      lateGraceHours: 24,
      decimalMark: "point",
    };
    const { changeId } = await setSettings(coordinator, settings);
    expect(await minutes()).toBe(45);
    await undoChange(coordinator, changeId);
    expect(await minutes()).toBe(120);
  });

  it("stays what it is while other tables are written, and while a change fails", async () => {
    const one = await schoolOf(school.runtime, school.schoolId);
    await makeClass(school, 1);
    await expect(
      school.db.write(async (tx) => {
        await tx.insert(people).values({
          id: "ana",
          schoolId: school.schoolId,
          kind: "staff",
          givenName: "Ana",
          familyName: "Again",
        });
      }),
    ).rejects.toThrow();
    expect(await schoolOf(school.runtime, school.schoolId)).toBe(one);
  });

  it("is never a failure: what could not be read once is read again", async () => {
    let tries = 0;
    const read = kept(["schools"], async () => {
      tries++;
      if (tries === 1) throw new Error("away for a moment");
      return tries;
    });
    await expect(read(school.runtime, "x")).rejects.toThrow("away");
    expect(await read(school.runtime, "x")).toBe(2);
    expect(await read(school.runtime, "x")).toBe(2);
    await expect(schoolOf(school.runtime, "no-such-school")).rejects.toMatchObject({ code: "not-found" });
  });
});

describe("an undo that is refused", () => {
  it("names the later change of the same row, who made it and when", async () => {
    const { studentIds, changeId } = await makeClass(school, 2);
    const studentId = studentIds[0] as string;
    await correctStudent(await school.teacher(), {
      studentId,
      givenName: "Corrected",
      familyName: "Of6Test",
      studentNumber: "6 Test-0",
      grade: 6,
    });
    await expect(undoChange(await school.teacher(), changeId)).rejects.toMatchObject({
      code: "conflict",
      message: expect.stringMatching(
        /Undo that one first: Corrected an entry of Corrected Of6Test \(23 Nov, 08:30, by Ana Tester\)/,
      ),
    });
  });

  it("names what was made on top of it, and goes through once that is taken back", async () => {
    const { classId, studentIds, changeId } = await makeClass(school, 3);
    const teacher = await school.teacher();
    const made = await makeGroups(teacher, {
      classIds: [classId],
      groups: [{ id: school.runtime.newId(), name: "Otters", skillId: "unit-rates", studentIds }],
    });
    await expect(undoChange(teacher, changeId)).rejects.toMatchObject({
      code: "conflict",
      message: expect.stringMatching(/Undo that one first: .*Otters.* \(23 Nov, 08:30, by Ana Tester\)/),
    });
    await undoChange(teacher, made.changeId ?? "");
    await undoChange(await school.teacher(), changeId);
    expect((await school.teacher()).actor.classIds).toEqual([]);
  });

  it("says that students have worked since, where that is so", async () => {
    const { classId, studentIds, changeId } = await makeClass(school, 1);
    const student = studentIds[0] as string;
    const workId = await givePractice(school, classId, [student]);
    await give(school, student, await open(school, student, workId), "right");
    await expect(undoChange(await school.teacher(), changeId)).rejects.toMatchObject({ code: "conflict" });
    const { entries } = await historyOf(classId);
    const assigned = entries.find(({ sentence }) => sentence.startsWith("Assigned"));
    await expect(undoChange(await school.teacher(), assigned?.id ?? "")).rejects.toMatchObject({
      message: expect.stringContaining("students have worked since"),
    });
  });
});

it("kinds of errors are told by the database's code", async () => {
  const row = { schoolId: school.schoolId, kind: "staff" as const, givenName: "A", familyName: "B" };
  const failure = (values: typeof people.$inferInsert) =>
    school.db
      .write((tx) => tx.insert(people).values(values))
      .then(
        () => null,
        (error: unknown) => errorKind(error),
      );
  expect(await failure({ ...row, id: "ana" })).toBe("unique");
  expect(await failure({ ...row, id: "new", email: "ana@school.example" })).toBe("unique");
  expect(await failure({ ...row, id: "new", schoolId: "nowhere" })).toBe("foreign-key");
  expect(errorKind(new Error("FOREIGN KEY constraint failed"))).toBeNull();
  expect(errorKind(null)).toBeNull();
});

async function historyOf(classId: string) {
  const { historyPage } = await import("@/features/frame/reads/history");
  return historyPage(await school.teacher(), [classId], { find: "", area: "", before: null });
}
