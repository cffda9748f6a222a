import { afterEach, beforeEach, expect, it } from "vitest";
import { pointersForMe, pointersView } from "@/features/frame/reads/pointers";
import { closePointer, sendPointer } from "@/features/frame/writes/pointers";
import { classesChosen } from "@/server/access/ownClasses";
import { undoChange } from "@/server/history/undoChange";
import { makeClass, type TestSchool, testSchool } from "../support/school";

let school: TestSchool;
let classId = "";
beforeEach(async () => {
  school = await testSchool();
  ({ classId } = await makeClass(school, 2, "6 Hazel"));
  await makeClass(school, 2, "6 Hazel", "ben");
});
afterEach(() => school.close());

const wish = async (over: object = {}) => ({
  id: school.runtime.newId(),
  toId: (await school.teacher("cora")).actor.personId,
  classIds: [classId],
  rest: "/evidence/marks?range=term",
  sentence: "Look at the quiz.",
  day: "2026-11-24",
  ...over,
});

it("stands in the receiver's list under their own address until it is done, and the sender sees which", async () => {
  const [ana, cora] = [await school.teacher("ana"), await school.teacher("cora")];
  const sent = await wish();
  const { changeId } = await sendPointer(ana, sent);
  expect(changeId).not.toBeNull();
  expect(await sendPointer(ana, sent)).toEqual({ changeId: null });
  const [got, ...others] = await pointersForMe(cora);
  expect(others).toEqual([]);
  expect(got).toMatchObject({
    name: ana.actor.name,
    sentence: "Look at the quiz.",
    dayWords: "Tue 24 Nov",
    isDue: false,
  });
  const key = got?.path.split("/")[2] ?? "";
  expect(got?.path).toBe(`/desk/${key}/evidence/marks?range=term`);
  // Two classes have one name: the address must be that of the right one.
  expect((await classesChosen(school.runtime, cora.actor, key))?.chosen.map(({ id }) => id)).toEqual([classId]);
  const open = async () => (await pointersView(ana, [classId])).sent.map(({ isDone }) => isDone);
  expect(await open()).toEqual([false]);
  await expect(closePointer(ana, { pointerId: sent.id })).rejects.toThrow("not on your list");
  const done = await closePointer(cora, { pointerId: sent.id });
  expect(await open()).toEqual([true]);
  expect(await pointersForMe(cora)).toEqual([]);
  await undoChange(cora, done.changeId ?? "");
  expect(await pointersForMe(cora)).toHaveLength(1);
  await undoChange(ana, changeId ?? "");
  expect(await pointersForMe(cora)).toEqual([]);
});

it("goes only to colleagues who can open the classes, for a day that is not past, to a page of ours", async () => {
  const ana = await school.teacher("ana");
  const { colleagues } = await pointersView(ana, [classId]);
  expect(colleagues.map(({ name }) => name)).toEqual([(await school.teacher("cora")).actor.name]);
  const ben = (await school.teacher("ben")).actor.personId;
  const send = async (over: object) => sendPointer(ana, await wish(over));
  await expect(send({ toId: ben })).rejects.toThrow("can't open these classes");
  await expect(send({ toId: ana.actor.personId })).rejects.toThrow("somebody else");
  await expect(send({ day: "2026-11-22" })).rejects.toThrow("today or a later day");
  await expect(send({ rest: "//elsewhere example" })).rejects.toThrow("can't be passed on");
  await expect(send({ sentence: " " })).rejects.toThrow("what to look at");
  await expect(sendPointer(await school.teacher("ben"), await wish())).rejects.toThrow("not open to you");
});
