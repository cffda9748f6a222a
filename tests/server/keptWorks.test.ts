import { afterEach, beforeEach, expect, it } from "vitest";
import { assignmentById } from "@/db/queries/work";
import { workAgain } from "@/features/work/reads/again";
import { keptWorks } from "@/features/work/reads/keptWorks";
import { workView } from "@/features/work/reads/workView";
import { changeKeptWork, keepWork } from "@/features/work/writes/keepWork";
import { undoChange } from "@/server/history/undoChange";
import { givePractice, makeClass, type TestSchool, testSchool } from "../support/school";

let school: TestSchool;
let id: string;
beforeEach(async () => {
  school = await testSchool();
  const { classId, studentIds } = await makeClass(school, 2);
  id = await givePractice(school, classId, studentIds, { title: "Ratios again" });
});
afterEach(() => school.close());

const kept = async (key: string) =>
  (await keptWorks(await school.teacher(key))).map(({ title, isMine }) => [title, isMine]);
const workId = async () => (await assignmentById(school.db.read, id))?.workId ?? "";

it("work is kept and found again by whoever made it, shared with colleagues, and put away, each undone at a touch", async () => {
  expect(await kept("ana")).toEqual([]);
  expect((await workView(await school.teacher(), id)).isKept).toBe(false);
  await keepWork(await school.teacher(), { assignmentId: id });
  expect((await workView(await school.teacher(), id)).isKept).toBe(true);
  expect(await kept("ana")).toEqual([["Ratios again", true]]);
  expect(await kept("ben")).toEqual([]);
  const change = async (step: string, key = "ana") =>
    changeKeptWork(await school.teacher(key), { workId: await workId(), step });
  // A colleague who does not teach the class gives it again only once it is shared.
  const again = async () => workAgain(await school.teacher("ben"), id);
  await expect(again()).rejects.toMatchObject({ code: "not-allowed" });
  const shared = await change("share");
  expect(await kept("ben")).toEqual([["Ratios again", false]]);
  expect(await again()).toMatchObject({ title: "Ratios again", kind: "practice" });
  await expect(change("put-away", "ben")).rejects.toMatchObject({ code: "not-allowed" });
  await undoChange(await school.teacher(), shared.changeId);
  expect(await kept("ben")).toEqual([]);
  const away = await change("put-away");
  expect(await kept("ana")).toEqual([]);
  await undoChange(await school.teacher(), away.changeId);
  expect(await keptWorks(await school.teacher())).toMatchObject([{ givenTimes: 1, assignmentId: id, parts: 1 }]);
});

it("is refused twice, and for what somebody else made", async () => {
  await keepWork(await school.teacher(), { assignmentId: id });
  await expect(keepWork(await school.teacher(), { assignmentId: id })).rejects.toThrow(/kept already/);
  await expect(keepWork(await school.teacher("cora"), { assignmentId: id })).rejects.toThrow(/Somebody else made/);
  await expect(changeKeptWork(await school.teacher(), { workId: "none", step: "share" })).rejects.toMatchObject({
    code: "not-found",
  });
});
