import { afterEach, beforeEach, expect, it } from "vitest";
import { studentHome } from "@/features/delivery/reads/studentHome";
import { standingFacts } from "@/features/evidence/reads/standing";
import { makeGroup } from "@/features/regroup/writes/groups";
import { placeStudents } from "@/features/roster/writes/classes";
import { workList } from "@/features/work/reads/works";
import { workView } from "@/features/work/reads/workView";
import { addStudents } from "@/features/work/writes/addStudents";
import { giveMarked } from "@/features/work/writes/giveMarked";
import { undoChange } from "@/server/history/undoChange";
import { give, givePractice, makeClass, open, type TestSchool, testSchool } from "../support/school";

let school: TestSchool;
let classId: string;
let studentIds: string[];
beforeEach(async () => {
  school = await testSchool();
  ({ classId, studentIds } = await makeClass(school, 4));
});
afterEach(() => school.close());

const titles = async (studentId: string) =>
  (await studentHome(school.student(studentId))).now.map(({ title }) => title).sort();

it("knows beside the map what is open, what somebody is ready for, and which groups they are in", async () => {
  const [first = "", second = ""] = studentIds;
  const teacher = await school.teacher();
  await givePractice(school, classId, [first], { title: "Rates", skillIds: ["unit-rates"] });
  const work = await givePractice(school, classId, [second], {
    title: "Language",
    skillIds: ["ratio-language"],
    items: 12,
  });
  let view = await open(school, second, work);
  while (view.finished === null) view = (await give(school, second, view, "right")).sitting;
  await makeGroup(teacher, {
    id: school.runtime.newId(),
    classId,
    name: "Tuesday",
    fromDay: "2026-11-23",
    untilDay: "",
    purpose: "",
    skillId: null,
    studentIds: [first],
  });
  const facts = await standingFacts(teacher, [classId]);
  expect(facts.students[first]).toMatchObject({ classId, open: { "unit-rates": ["Rates"] } });
  // What is finished is not open any more.
  expect(facts.students[second]?.open).toEqual({});
  expect(facts.groups.map(({ name }) => name)).toEqual(["Tuesday"]);
  expect(facts.students[first]?.groupIds).toEqual(facts.groups.map(({ id }) => id));
  expect(facts.students[second]?.ready["equivalent-ratios"]).toBeGreaterThan(
    facts.students[first]?.ready["equivalent-ratios"] ?? 1,
  );
  expect(facts).toMatchObject({ dueDay: "2026-11-26", mayGive: true });
});

it("gives each what they are marked for in one change: those marked for the same share a piece of work", async () => {
  const [first = "", second = "", third = ""] = studentIds;
  const teacher = await school.teacher();
  const batch = {
    batchId: school.runtime.newId(),
    dueDay: "2026-11-26",
    marked: [
      { studentId: first, classId, skillIds: ["unit-rates"] },
      { studentId: second, classId, skillIds: ["unit-rates"] },
      { studentId: third, classId, skillIds: ["unit-rates", "ratio-language"] },
    ],
  };
  const { changeId, works } = await giveMarked(teacher, batch);
  expect(works).toBe(2);
  expect((await giveMarked(teacher, batch)).changeId).toBeNull();
  expect(await workList(teacher, [classId])).toHaveLength(2);
  expect(await titles(first)).toEqual(await titles(second));
  expect((await titles(third))[0]).toMatch(/ and 1 more$/);
  expect(await titles(studentIds[3] ?? "")).toEqual([]);
  await undoChange(teacher, changeId ?? "");
  expect(await workList(teacher, [classId])).toEqual([]);
});

it("refuses nobody, a student of another class, and a day that is over", async () => {
  const teacher = await school.teacher();
  const one = { studentId: studentIds[0] ?? "", classId, skillIds: ["unit-rates"] };
  const ask = (over: object) =>
    giveMarked(teacher, { batchId: school.runtime.newId(), dueDay: "2026-11-26", marked: [one], ...over });
  await expect(ask({ marked: [] })).rejects.toMatchObject({ code: "invalid", message: "Nobody is marked." });
  await expect(ask({ dueDay: "2026-11-20" })).rejects.toMatchObject({ code: "invalid" });
  const other = await makeClass(school, 1, "6 Other");
  await expect(ask({ marked: [{ ...one, studentId: other.studentIds[0] }] })).rejects.toMatchObject({
    code: "invalid",
    message: expect.stringContaining("no longer in the class"),
  });
  expect(await workList(teacher, [classId])).toEqual([]);
});

it("who joins later is offered what is open, with a day of their own, or it is skipped; left out by hand is not joined", async () => {
  const teacher = await school.teacher();
  const given = await givePractice(school, classId, studentIds.slice(1), { dueDay: "2026-12-04" });
  school.setNow(Date.parse("2026-11-25T09:00:00Z"));
  const other = await makeClass(school, 2, "6 Other");
  const [comes = "", also = ""] = other.studentIds;
  await placeStudents(await school.teacher(), {
    studentIds: [comes, also],
    toClassId: classId,
    fromClassId: other.classId,
  });
  const view = async () => workView(teacher, given);
  expect((await view()).joined.map(({ id }) => id).sort()).toEqual([comes, also].sort());
  expect((await view()).leftOut).toHaveLength(1);
  expect((await workList(teacher, [classId]))[0]).toMatchObject({ joinedCount: 2 });
  await addStudents(teacher, { assignmentId: given, studentIds: [comes], dueDay: "2026-11-30" });
  const { changeId } = await addStudents(teacher, { assignmentId: given, studentIds: [also], skip: true });
  expect((await view()).joined).toEqual([]);
  expect((await studentHome(school.student(comes))).now).toMatchObject([{ due: "Monday 30 November" }]);
  expect((await studentHome(school.student(also))).now).toEqual([]);
  expect((await addStudents(teacher, { assignmentId: given, studentIds: [comes] })).changeId).toBeNull();
  await undoChange(teacher, changeId ?? "");
  expect((await view()).joined.map(({ id }) => id)).toEqual([also]);
  await expect(
    addStudents(teacher, { assignmentId: given, studentIds: [also], dueDay: "2026-11-20" }),
  ).rejects.toMatchObject({ code: "invalid" });
});
