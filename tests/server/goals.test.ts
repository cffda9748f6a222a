import { afterEach, expect, it } from "vitest";
import type { AmountGoal, LevelGoal } from "@/features/evidence/goalTypes";
import { goalsOfWeek } from "@/features/evidence/reads/week/goals";
import { goalSheets } from "@/features/evidence/sheets/goalSheets";
import { giveUpGoal, setGoal } from "@/features/evidence/writes/goals";
import { undoChange } from "@/server/history/undoChange";
import { type ReportClass, reportClass } from "../support/reportClass";

let own: ReportClass;
afterEach(() => own.school.close());
const view = async () => goalsOfWeek(await own.school.teacher(), await own.frame());
const wish = (over: object = {}) => ({
  id: own.school.runtime.newId(),
  classIds: [own.classId],
  aim: "amount",
  unit: "pieces",
  target: 4,
  untilDay: "2026-12-04",
  ...over,
});
const set = async (over: object = {}) => setGoal(await own.school.teacher(), wish(over));
const courses = async (at = 0) =>
  ((await view()).goals[at] as unknown as AmountGoal).students.map(({ projection }) => projection.course);

it("counts pieces a school day from the day it was set, carries them on to its last day, and is over a week after", async () => {
  own = await reportClass(3);
  const before = await own.test({ title: "Before" });
  await set();
  expect(await courses()).toEqual(["too-early", "too-early", "too-early"]);
  // Ten school days from Monday to the Friday after next; one piece on each of three days, one on the first only, none.
  await own.sit(before, 0, "rrrr");
  await own.sit(before, 1, "rrrr");
  for (const day of [1, 2]) {
    own.at(day);
    await own.sit(await own.test({ title: `Day ${day}` }), 0, "rrrr");
  }
  const [goal] = (await view()).goals;
  expect(goal).toMatchObject({ aim: "amount", until: "Fri 4 Dec", daysLeft: 8, className: "6 Test" });
  const [ada, ben, cy] = (goal as unknown as AmountGoal).students.map(({ projection }) => projection);
  // Three pieces in three days, seven days left: 3 + 7.
  expect(ada).toMatchObject({ reached: 3, projected: 10, course: "on-course" });
  // One in the two days that are past, today not among them while it brings nothing.
  expect(ben).toMatchObject({ reached: 1, projected: null, course: "too-early" });
  expect(cy).toMatchObject({ reached: 0, course: "too-early" });
  own.at(4);
  // One piece in four days, six left: 1 + 6 · 0.25.
  const later = ((await view()).goals[0] as unknown as AmountGoal).students.map(({ projection }) => projection);
  expect(later[1]?.projected).toBeCloseTo(2.5, 9);
  expect(later[2]).toMatchObject({ projected: 0, high: 0, course: "behind" });
  // The same rows go out as a file.
  const [sheet] = goalSheets(await view());
  expect(sheet?.rows.map((row) => row.slice(1, 6))).toEqual([
    ["4 finished pieces", "Fri 4 Dec", expect.any(String), 3, 8],
    ["4 finished pieces", "Fri 4 Dec", expect.any(String), 1, 3],
    ["4 finished pieces", "Fri 4 Dec", expect.any(String), 0, 0],
  ]);
  own.at(18);
  expect((await view()).goals).toHaveLength(1);
  own.at(19);
  expect((await view()).goals).toEqual([]);
});

it("says of each skill who is there, who is likely to get there and who is not", async () => {
  own = await reportClass(3);
  for (const day of [0, 1, 2, 3]) {
    own.at(day);
    const test = await own.test({ title: `Day ${day}` });
    await own.sit(test, 0, "rrrr");
    await own.sit(test, 1, "rrxx");
  }
  await set({
    aim: "level",
    unit: undefined,
    target: undefined,
    level: "secure",
    skillIds: ["ratio-language", "unit-rates"],
  });
  const goal = (await view()).goals[0] as unknown as LevelGoal;
  const of = (place: number) => goal.skills[place]?.students.map(({ course }) => course);
  expect(goal.skills.map(({ id }) => id)).toEqual(["ratio-language", "unit-rates"]);
  expect(of(0)?.slice(0, 2)).toEqual(["there", "there"]);
  expect(of(1)?.[0]).toBe("there");
  expect(of(1)?.[1]).not.toBe("there");
  // Nobody gets anywhere without an answer.
  expect([of(0)?.[2], of(1)?.[2]]).toEqual(["behind", "behind"]);
  const [, ben] = goal.skills[1]?.students ?? [];
  expect(ben?.later).toBeGreaterThan(ben?.now ?? 1);
});

it("is set once however often it is sent, given up and taken back, and refused where it makes no sense", async () => {
  own = await reportClass(1);
  const teacher = await own.school.teacher();
  const one = wish();
  const { changeId } = await setGoal(teacher, one);
  expect(await setGoal(teacher, one)).toEqual({ changeId: null });
  const goals = async () => (await view()).goals.length;
  expect(await goals()).toBe(1);
  const given = await giveUpGoal(teacher, { goalId: one.id });
  expect(await giveUpGoal(teacher, { goalId: one.id })).toEqual({ changeId: null });
  expect(await goals()).toBe(0);
  await undoChange(teacher, given.changeId ?? "");
  expect(await goals()).toBe(1);
  await undoChange(teacher, changeId ?? "");
  expect(await goals()).toBe(0);
  await expect(set({ untilDay: "2026-11-23" })).rejects.toThrow("after today");
  await expect(set({ target: 0 })).rejects.toThrow("1 or more");
  await expect(set({ target: undefined })).rejects.toThrow("Say how much");
  await expect(set({ aim: "level", skillIds: [] })).rejects.toThrow("Choose a skill");
  await expect(set({ aim: "level", skillIds: ["nothing"] })).rejects.toThrow();
  await expect(setGoal(await own.school.teacher("ben"), wish())).rejects.toMatchObject({ code: "not-allowed" });
  for (let n = 0; n < 6; n++) await set();
  await expect(set()).rejects.toThrow("at most 6 goals");
});
