import { readFileSync } from "node:fs";
import { afterEach, beforeEach, describe, expect, it } from "vitest";
import { studentsOfClasses } from "@/db/queries/people";
import { planOf } from "@/db/queries/plan";
import { importState } from "@/features/roster/reads/importView";
import { rosterView } from "@/features/roster/reads/rosterView";
import { applyImport, beginImport, linkSame, repairCells, setColumn } from "@/features/roster/writes/importRoster";
import { newSignIns, unlockStudents } from "@/features/roster/writes/newSignIns";
import { signInStaff, signInStudent } from "@/server/access/signIn";
import { undoChange } from "@/server/history/undoChange";
import {
  csv,
  fingerprintOf,
  give,
  givePractice,
  HERE,
  makeClass,
  open,
  PASSWORD,
  readyImport,
  START,
  type TestSchool,
  TODAY,
  testSchool,
} from "../support/school";

let school: TestSchool;
beforeEach(async () => {
  school = await testSchool();
});
afterEach(() => school.close());

const students = async (classId: string) =>
  (await studentsOfClasses(school.db.read, [classId], TODAY)).map(
    ({ person }) => `${person.givenName} ${person.familyName} ${person.grade}`,
  );
const begin = async (classId: string, text: string) => {
  const context = await school.teacher();
  const draftId = await beginImport(context, { classId, fileName: "sheet.csv", bytes: csv(text) });
  return { context, draftId, preview: await readyImport(context, draftId) };
};

describe("importing a roster", () => {
  it("makes a class with a plan and undoes it whole", async () => {
    const { classId, changeId, studentIds } = await makeClass(school, 26);
    expect(studentIds).toHaveLength(26);
    expect(await planOf(school.db.read, classId)).toHaveLength(6);
    await undoChange(await school.teacher(), changeId);
    expect(await students(classId)).toEqual([]);
    expect((await school.teacher()).actor.classIds).toEqual([]);
  });

  it("changes what differs, keeps who is missing, and takes it back", async () => {
    const { classId } = await makeClass(school, 3);
    const before = await students(classId);
    const { context, draftId, preview } = await begin(
      classId,
      "id,first,last,grade\n6 Test-0,Student00,Renamed,7\n6 Test-1,Student01,Of6Test,6\nN1,New,Child,6\n",
    );
    expect(preview.counts.users).toMatchObject({ added: 1, changed: 1, unchanged: 1, inactive: 0 });
    expect(preview.notes.join()).toContain("Student02 Of6Test");
    expect(await students(classId)).toEqual(before);
    const { changeId } = await applyImport(context, { draftId, fingerprint: preview.fingerprint });
    expect(await students(classId)).toContain("Student00 Renamed 7");
    expect(await students(classId)).toHaveLength(4);
    expect(await applyImport(context, { draftId, fingerprint: preview.fingerprint })).toMatchObject({ changeId });
    await undoChange(context, changeId);
    expect(await students(classId)).toEqual(before);
  });

  it("can be applied again after an undo", async () => {
    const { classId } = await makeClass(school, 2);
    const { context, draftId, preview } = await begin(classId, "id,first,last\nN1,New,Child\n");
    const { changeId } = await applyImport(context, { draftId, fingerprint: preview.fingerprint });
    await undoChange(context, changeId);
    await applyImport(context, { draftId, fingerprint: await fingerprintOf(context, draftId) });
    expect(await students(classId)).toHaveLength(3);
  });

  it("refuses a preview that is out of date, and changes nothing", async () => {
    const { classId } = await makeClass(school, 2);
    const [one, two] = [
      await begin(classId, "id,first,last\nN1,New,Child\n"),
      await begin(classId, "id,first,last\nN1,Other,Child\n"),
    ];
    await applyImport(one.context, { draftId: one.draftId, fingerprint: one.preview.fingerprint });
    await expect(
      applyImport(two.context, { draftId: two.draftId, fingerprint: two.preview.fingerprint }),
    ).rejects.toMatchObject({ code: "conflict" });
    expect(await students(classId)).toHaveLength(3);
  });

  it("follows columns that the teacher corrects", async () => {
    const { classId } = await makeClass(school, 1);
    const { context, draftId, preview } = await begin(classId, "nummer,vorname,zuname\nN1,New,Child\n");
    expect(preview.faultCount).toBe(1);
    for (const [field, column] of [
      ["studentNumber", 0],
      ["givenName", 1],
      ["familyName", 2],
    ] as const)
      await setColumn(context, { draftId, field, column });
    expect((await readyImport(context, draftId)).counts.users?.added).toBe(1);
  });

  it("reads the shipped examples: one clean, one with its faults named", async () => {
    const context = await school.teacher();
    const load = async (file: string) => {
      const draftId = await beginImport(context, {
        newClassName: file,
        newClassGrade: 6,
        fileName: file,
        bytes: new Uint8Array(readFileSync(`examples/${file}`)),
      });
      return readyImport(context, draftId);
    };
    const clean = await load("6-hazel-clean.csv");
    expect(clean.counts.users?.added).toBe(26);
    const faults = await load("6-hazel-with-faults.csv");
    expect(faults.notes.join()).toContain("Windows-1252");
    expect(faults.faults.map(({ sentence }) => sentence)).toEqual([
      expect.stringMatching(/already/),
      expect.stringMatching(/family name is missing/),
      expect.stringMatching(/A grade is/),
    ]);
    expect(JSON.stringify(faults.firstPage)).toContain("Peñaloza");
  });

  it("refuses an empty file at once", async () => {
    const input = { newClassName: "X", newClassGrade: 6, fileName: "x.csv", bytes: new Uint8Array() };
    await expect(beginImport(await school.teacher(), input)).rejects.toMatchObject({
      message: expect.stringMatching(/empty/),
    });
  });

  it.each([
    ["a picture named .csv", Uint8Array.from([137, 80, 78, 71, 0, 1]), /not a text file/],
    [
      "20,000 rows for a class",
      csv(`id,first,last\n${Array.from({ length: 20_000 }, (_, n) => `${n},a,b`).join("\n")}`),
      /20,000 rows/,
    ],
  ])("refuses %s in words", async (_, bytes, reason) => {
    const context = await school.teacher();
    const draftId = await beginImport(context, { newClassName: "X", newClassGrade: 6, fileName: "x.csv", bytes });
    for (;;) {
      const state = await importState(context, draftId);
      if (state.state === "reading") continue;
      expect(state).toMatchObject({ state: "failed", message: expect.stringMatching(reason) });
      break;
    }
  });

  it("takes a row once its cell was typed anew", async () => {
    const { classId } = await makeClass(school, 1);
    const { context, draftId, preview } = await begin(classId, "id,first,last,grade\nN1,New,Child,sixth\n");
    expect(preview.faults).toMatchObject([{ row: 2, column: "grade", value: "sixth" }]);
    await repairCells(context, { draftId, cells: [{ file: "sheet", row: 2, column: "grade", text: "6" }] });
    const mended = await readyImport(context, draftId);
    expect(mended.faultCount).toBe(0);
    await applyImport(context, { draftId, fingerprint: mended.fingerprint });
    expect(await students(classId)).toContain("New Child 6");
  });

  it("points out who is likely there already, and takes them as the same once somebody says so", async () => {
    const { classId } = await makeClass(school, 2);
    const { context, draftId, preview } = await begin(classId, "id,first,last,grade\nX9,Student00,Of6Test,6\n");
    const [pair] = preview.likely;
    expect(pair).toMatchObject({ name: "Student00 Of6Test", because: "same name, grade 6" });
    await linkSame(context, { draftId, key: pair?.key, knownId: pair?.knownId });
    const linked = await readyImport(context, draftId);
    expect(linked.counts.users).toMatchObject({ added: 0, changed: 1 });
    await applyImport(context, { draftId, fingerprint: linked.fingerprint });
    expect(await students(classId)).toHaveLength(2);
    const numbers = (await rosterView(context, [classId])).students.map(({ studentNumber }) => studentNumber);
    expect(numbers).toContain("X9");
  });

  it("looked at on one day is not applied unseen on the next: dates may have come", async () => {
    const { classId } = await makeClass(school, 1);
    const { context, draftId, preview } = await begin(classId, "id,first,last,grade\nN1,New,Child,6\n");
    school.setNow(START + 86_400_000);
    const apply = (fingerprint: string) => applyImport(context, { draftId, fingerprint });
    await expect(apply(preview.fingerprint)).rejects.toMatchObject({ code: "conflict" });
    expect(await students(classId)).toHaveLength(1);
    await apply(await fingerprintOf(context, draftId));
    expect(await students(classId)).toHaveLength(2);
  });

  it("lets a teacher's sheet stand for the teacher's own students only", async () => {
    const { studentIds } = await makeClass(school, 1, "Others");
    const { classId } = await makeClass(school, 1, "Mine", "ben");
    const ben = await school.teacher("ben");
    const bytes = csv("id,first,last,grade\nX9,Student00,OfOthers,6\n");
    const draftId = await beginImport(ben, { classId, fileName: "sheet.csv", bytes });
    await expect(linkSame(ben, { draftId, key: "number:X9", knownId: studentIds[0] })).rejects.toMatchObject({
      code: "not-allowed",
    });
  });

  it("is nobody's business but the teacher's own", async () => {
    const { classId, studentIds } = await makeClass(school, 2);
    const { draftId } = await begin(classId, "id,first,last\nN1,New,Child\n");
    const stranger = await school.teacher("ben");
    await expect(importState(stranger, draftId)).rejects.toMatchObject({ code: "not-allowed" });
    await expect(rosterView(stranger, [classId])).rejects.toMatchObject({ code: "not-allowed" });
    await expect(beginImport(stranger, { classId, fileName: "x", bytes: csv("id\n1") })).rejects.toMatchObject({
      code: "not-allowed",
    });
    await expect(newSignIns(stranger, { studentIds })).rejects.toMatchObject({ code: "not-allowed" });
    await expect(importState(school.student(studentIds[0] as string), draftId)).rejects.toMatchObject({
      code: "not-allowed",
    });
  });
});

describe("undo", () => {
  it("is refused when answers hang on it, and when something changed since", async () => {
    const { classId, changeId, studentIds } = await makeClass(school, 2);
    const workId = await givePractice(school, classId, studentIds);
    const view = await open(school, studentIds[0] as string, workId);
    await give(school, studentIds[0] as string, view, "right");
    await expect(undoChange(await school.teacher(), changeId)).rejects.toMatchObject({
      code: "conflict",
      message: expect.stringContaining("answers are kept"),
    });
    expect(await students(classId)).toHaveLength(2);
    await expect(undoChange(await school.teacher("ben"), changeId)).rejects.toMatchObject({ code: "not-allowed" });
    await expect(undoChange(await school.teacher(), "nothing")).rejects.toMatchObject({ code: "not-found" });
  });
});

describe("signing in", () => {
  it("works by code, name and PIN, and locks one child, not the class", async () => {
    const { classId, studentIds } = await makeClass(school, 2);
    const teacher = await school.teacher();
    const slips = await newSignIns(teacher, { studentIds });
    const { code, pin, studentId } = slips[0] as (typeof slips)[number];
    expect(await signInStudent(school.runtime, { code: code.toLowerCase(), studentId, pin }, HERE)).toMatch(
      /^[\w-]{40,}$/,
    );
    const wrong = pin === "0000" ? "1111" : "0000";
    for (let tries = 3; tries > 0; tries--)
      await expect(signInStudent(school.runtime, { code, studentId, pin: wrong }, HERE)).rejects.toMatchObject({
        code: "invalid",
      });
    await expect(signInStudent(school.runtime, { code, studentId, pin: wrong }, HERE)).rejects.toMatchObject({
      code: "locked",
      message: expect.stringContaining("Wait 15 seconds"),
      waitSeconds: 15,
    });
    await expect(signInStudent(school.runtime, { code, studentId, pin }, HERE)).rejects.toMatchObject({
      code: "locked",
    });
    expect((await rosterView(teacher, [classId])).students.map(({ signIn }) => signIn)).toContain("locked");
    const other = slips[1] as (typeof slips)[number];
    await signInStudent(school.runtime, { code, studentId: other.studentId, pin: other.pin }, HERE);
    await unlockStudents(teacher, { studentIds: [studentId] });
    await signInStudent(school.runtime, { code, studentId, pin }, HERE);
    const [fresh] = await newSignIns(teacher, { studentIds: [studentId] });
    await signInStudent(school.runtime, { code, studentId, pin: fresh?.pin ?? "" }, HERE);
  });

  it("opens again by itself after the wait that it named", async () => {
    const { studentIds } = await makeClass(school, 1);
    const [slip] = await newSignIns(await school.teacher(), { studentIds });
    const { code, pin, studentId } = slip as NonNullable<typeof slip>;
    const wrong = pin === "0000" ? "1111" : "0000";
    await Promise.allSettled(
      Array.from({ length: 4 }, () => signInStudent(school.runtime, { code, studentId, pin: wrong }, HERE)),
    );
    await expect(signInStudent(school.runtime, { code, studentId, pin }, HERE)).rejects.toMatchObject({
      code: "locked",
    });
    school.setNow(START + 15_000);
    await signInStudent(school.runtime, { code, studentId, pin }, HERE);
  });

  it("tells nothing about which addresses exist", async () => {
    await expect(
      signInStaff(school.runtime, { email: "ana@school.example", password: "wrong" }, HERE),
    ).rejects.toMatchObject({ message: "Email or password is not right." });
    await expect(
      signInStaff(school.runtime, { email: "nobody@school.example", password: "wrong" }, HERE),
    ).rejects.toMatchObject({ message: "Email or password is not right." });
    expect(await signInStaff(school.runtime, { email: "ANA@school.example ", password: PASSWORD }, HERE)).toBeTruthy();
  });
});
