import { afterEach, beforeEach, expect, it } from "vitest";
import { cellView, masteryMap, studentSheet } from "@/features/evidence/reads/evidence";
import { searchEntries } from "@/features/frame/reads/desk";
import { groupBoard } from "@/features/regroup/reads/groupBoard";
import { groupList } from "@/features/regroup/reads/groupList";
import { groupView } from "@/features/regroup/reads/groupView";
import { makeGroups } from "@/features/regroup/writes/makeGroups";
import { rosterView } from "@/features/roster/reads/rosterView";
import { applyImport, beginImport } from "@/features/roster/writes/importRoster";
import { newSignIns } from "@/features/roster/writes/newSignIns";
import { composeView } from "@/features/work/reads/compose";
import { workView } from "@/features/work/reads/workView";
import { openClassDoor } from "@/server/access/signIn";
import { csv, fingerprintOf, givePractice, type TestSchool, testSchool } from "../support/school";

let school: TestSchool;
let classId = "";
let ids: string[] = [];
const SHEET = `id,first,last,grade
K-0101,Ana,Brightwell,6
K-0102,Ana,Bellamy,6
K-0203,Wen,Okafor,6
K-0204,Wen,Okafor,6
K-0305,Tove,Lindqvist,6`;
const SHORT = ["Ana Bellamy", "Ana Brightwell", "Tove L", "Wen Okafor …203", "Wen Okafor …204"];
const FULL = ["Ana Bellamy", "Ana Brightwell", "Tove Lindqvist", "Wen Okafor …203", "Wen Okafor …204"];

beforeEach(async () => {
  school = await testSchool();
  const context = await school.teacher();
  const draftId = await beginImport(context, {
    newClassName: "6 Alike",
    newClassGrade: 6,
    fileName: "alike.csv",
    bytes: csv(SHEET),
  });
  const made = await applyImport(context, { draftId, fingerprint: await fingerprintOf(context, draftId) });
  classId = made.classId ?? "";
  ids = (await rosterView(await school.teacher(), [classId])).students.map(({ id }) => id);
});
afterEach(() => school.close());

it("students whose names read the same are told apart on every page, as at the door", async () => {
  const context = await school.teacher();
  const sorted = (names: readonly { readonly name: string }[]) => names.map(({ name }) => name).sort();
  const workId = await givePractice(school, classId, ids);
  const groupId = school.runtime.newId();
  const group = { id: groupId, name: "All", skillId: "unit-rates", studentIds: ids };
  await makeGroups(context, { classIds: [classId], groups: [group] });
  const teacher = await school.teacher();

  expect(sorted((await masteryMap(teacher, [classId])).students)).toEqual(SHORT);
  expect(sorted((await workView(teacher, workId)).rows)).toEqual(SHORT);
  expect(sorted((await composeView(teacher, [classId])).classes[0]?.students ?? [])).toEqual(SHORT);
  expect(sorted((await groupView(teacher, groupId)).members)).toEqual(SHORT);
  expect([...((await groupList(teacher, [classId]))[0]?.members ?? [])].sort()).toEqual(SHORT);
  expect(sorted((await groupBoard(teacher, [classId], null)).students)).toEqual(FULL);
  expect(sorted((await rosterView(teacher, [classId])).students)).toEqual(FULL);
  const palette = (await searchEntries(teacher, [classId])).filter(({ kind }) => kind === "student");
  expect(sorted(palette)).toEqual(FULL);
  expect(sorted(await newSignIns(teacher, { studentIds: ids }))).toEqual(FULL);
  const cells = await Promise.all(ids.map((id) => cellView(teacher, id, "unit-rates")));
  expect(cells.map(({ studentName }) => studentName).sort()).toEqual(SHORT);
  expect(sorted(await Promise.all(ids.map((id) => studentSheet(teacher, id))))).toEqual(FULL);
  const [{ code = "" } = {}] = (await rosterView(teacher, [classId])).classes;
  expect(sorted((await openClassDoor(school.runtime, code)).students)).toEqual(SHORT);
});
