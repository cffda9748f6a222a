import { afterEach, beforeEach, expect, it } from "vitest";
import { everythingAbout } from "@/db/queries/everythingAbout";
import { keepVisit } from "@/features/delivery/writes/keepVisit";
import { cellView } from "@/features/evidence/reads/evidence";
import { give, givePractice, makeClass, open, START, type TestSchool, testSchool } from "../support/school";

let school: TestSchool;
let studentIds: string[];
let sittingId: string;
const MINUTE = 60_000;
beforeEach(async () => {
  school = await testSchool();
  const made = await makeClass(school, 2);
  studentIds = [...made.studentIds];
  const workId = await givePractice(school, made.classId, studentIds, { skillIds: ["equivalent-ratios"] });
  const view = await open(school, studentIds[0] ?? "", workId);
  sittingId = view.sittingId;
  await give(school, studentIds[0] ?? "", view, "wrong");
  school.setNow(START + 10 * MINUTE);
});
afterEach(() => school.close());

const visit = (over: object = {}) => ({
  key: school.runtime.newId(),
  sittingId,
  skillId: "equivalent-ratios",
  agoMilliseconds: 3 * MINUTE,
  milliseconds: 2 * MINUTE,
  modelMilliseconds: 30_000,
  modelMoves: 12,
  ...over,
});
const asStudent = (place = 0) => school.student(studentIds[place] ?? "");
const lesson = async () => (await cellView(await school.teacher(), studentIds[0] ?? "", "equivalent-ratios")).lesson;

it("keeps that a lesson was read and its model moved, once however often it is sent, for the teacher to see", async () => {
  expect(await lesson()).toBe(null);
  const sent = visit();
  await keepVisit(asStudent(), sent);
  await keepVisit(asStudent(), sent);
  expect(await lesson()).toMatchObject({ times: 1, seconds: 120, modelSeconds: 30, modelMoves: 12 });
  await keepVisit(asStudent(), visit({ milliseconds: 20_000, modelMilliseconds: 0, modelMoves: 0 }));
  expect(await lesson()).toMatchObject({ times: 2, seconds: 140, modelSeconds: 30 });
});

it("believes no device more than can be: nothing before the work began, no longer than since it was opened", async () => {
  await keepVisit(asStudent(), visit({ agoMilliseconds: 1e12, milliseconds: 1e12, modelMilliseconds: 1e12 }));
  expect(await lesson()).toMatchObject({ seconds: 600, modelSeconds: 600 });
});

it("refuses another's work, a lesson that does not belong to it, and what is no visit", async () => {
  await expect(keepVisit(asStudent(1), visit())).rejects.toMatchObject({ code: "not-allowed" });
  await expect(keepVisit(asStudent(), visit({ skillId: "unit-rates" }))).rejects.toMatchObject({ code: "not-found" });
  await expect(keepVisit(asStudent(), visit({ sittingId: "x" }))).rejects.toMatchObject({ code: "not-found" });
  await expect(keepVisit(asStudent(), visit({ modelMoves: -1 }))).rejects.toMatchObject({ code: "invalid" });
  expect(await lesson()).toBe(null);
});

it("keeps a lesson that a student looked up by themselves, as far as it is open to them", async () => {
  await keepVisit(asStudent(1), visit({ sittingId: null, skillId: "ratio-language" }));
  const { lesson } = await cellView(await school.teacher(), studentIds[1] ?? "", "ratio-language");
  expect(lesson).toMatchObject({ times: 1, seconds: 120 });
  await expect(keepVisit(asStudent(1), visit({ sittingId: null, skillId: "nothing" }))).rejects.toMatchObject({
    code: "not-found",
  });
});

it("is part of what is taken out about a student", async () => {
  await keepVisit(asStudent(), visit());
  const about = await everythingAbout(school.db.read, studentIds[0] ?? "");
  expect(about["lessons-read"]).toMatchObject([{ skillId: "equivalent-ratios", milliseconds: 2 * MINUTE }]);
});
