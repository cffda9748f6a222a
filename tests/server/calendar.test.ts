import { afterEach, beforeEach, expect, it } from "vitest";
import { planOf } from "@/db/queries/plan";
import { holidaysAt } from "@/db/queries/school";
import { calendarFile, calendarView, readCalendarFile } from "@/features/plan/reads/calendar";
import { changeCalendar } from "@/features/plan/writes/changeCalendar";
import { changePlan } from "@/features/plan/writes/changePlan";
import { choosePlan } from "@/features/plan/writes/choosePlan";
import { undoChange } from "@/server/history/undoChange";
import { classPlanOf } from "@/server/plan/classPlan";
import type { Context } from "@/server/runtime/context";
import { makeClass, onlyDaysOfSkills, type TestSchool, testSchool } from "../support/school";

let school: TestSchool;
let cora: Context;
let classId: string;
let untouchedId: string;
beforeEach(async () => {
  school = await testSchool();
  ({ classId } = await makeClass(school, 1));
  ({ classId: untouchedId } = await makeClass(school, 1, "6 Birch"));
  const ana = await school.teacher();
  const input = { subjectId: "mathematics", grade: 6, firstDay: "2026-11-30", weekdays: [1, 2, 3, 4, 5] };
  await choosePlan(ana, { classIds: [classId, untouchedId], ...input });
  await onlyDaysOfSkills(school, untouchedId);
  cora = await school.teacher("cora");
});
afterEach(() => school.close());

const spans = async (id = classId) =>
  (await classPlanOf(school.db.read, school.runtime, id)).dates.map(({ dates }) => dates?.targetDay);
const week = { from: "2026-12-05", to: "2026-12-13", name: "Flood days" };

it("days off move the dates of every plan, and one undo takes all of it back", async () => {
  const before = [await spans(), await planOf(school.db.read, untouchedId)];
  expect(await spans()).toEqual(["2026-12-25", "2027-01-22"]);
  const done = await changeCalendar(cora, { add: [week] });
  expect(done).toMatchObject({ added: 5, already: 0, classes: 2 });
  expect(await spans()).toEqual(["2027-01-01", "2027-01-29"]);
  // A class that has but the days of its skills moves too.
  expect(await planOf(school.db.read, untouchedId)).not.toEqual(before[1]);
  expect(await changeCalendar(cora, { add: [week] })).toMatchObject({ changeId: null, already: 5 });
  const { terms, ranges } = await calendarView(cora);
  expect(ranges.map(({ from, to, name }) => [from, to, name])).toEqual([
    ["2026-10-26", "2026-10-26", "River day"],
    ["2026-12-07", "2026-12-11", "Flood days"],
  ]);
  expect(terms[0]?.schoolDays).toBe(95 - 6);
  await undoChange(cora, done.changeId ?? "");
  expect([await spans(), await planOf(school.db.read, untouchedId)]).toEqual(before);
});

it("days are taught again, and two holidays that overlap keep the name that was there first", async () => {
  await changeCalendar(cora, { add: [week, { from: "2026-12-11", to: "2026-12-14", name: "Fair" }] });
  const days = async () =>
    (await holidaysAt(school.db.read, cora.actor.schoolId)).map(({ day, name }) => `${day.slice(5)} ${name}`);
  expect(await days()).toEqual([
    "10-26 River day",
    "12-07 Flood days",
    "12-08 Flood days",
    "12-09 Flood days",
    "12-10 Flood days",
    "12-11 Flood days",
    "12-14 Fair",
  ]);
  await changeCalendar(cora, { remove: ["2026-12-14", "2026-12-07", "2026-12-16"] });
  expect(await days()).toHaveLength(5);
});

it("a file goes out and comes in, is looked at first, and is refused when it is none", async () => {
  await changeCalendar(cora, { add: [week] });
  const { bytes } = await calendarFile(cora);
  const text = new TextDecoder().decode(bytes);
  const read = await readCalendarFile(cora, { text });
  expect(read.ranges.map(({ name, schoolDays, already }) => [name, schoolDays, already])).toEqual([
    ["River day", 1, 1],
    ["Flood days", 5, 5],
  ]);
  await expect(readCalendarFile(cora, { text: "no calendar" })).rejects.toThrow("no calendar file");
});

it("refuses days that end before they begin, a weekend, a whole year, and everybody but the coordinator", async () => {
  const add = (from: string, to: string) => changeCalendar(cora, { add: [{ from, to, name: "Off" }] });
  await expect(add("2026-12-11", "2026-12-07")).rejects.toThrow("before the first");
  await expect(add("2026-12-12", "2026-12-13")).rejects.toThrow("weekend");
  await expect(add("2026-12-01", "2027-12-01")).rejects.toThrow("at most 150");
  await expect(add("2026-02-30", "2026-03-01")).rejects.toThrow("exists");
  for (const none of [null, () => 1])
    await expect(changeCalendar(cora, { add: [none] })).rejects.toMatchObject({ code: "invalid" });
  const ana = await school.teacher();
  await expect(changeCalendar(ana, { add: [week] })).rejects.toMatchObject({ code: "not-allowed" });
  await expect(readCalendarFile(ana, { text: "x" })).rejects.toMatchObject({ code: "not-allowed" });
});

it("a plan that was changed since stands in the way of taking days off back, and says so", async () => {
  const { changeId } = await changeCalendar(cora, { add: [week] });
  const ana = await school.teacher();
  const [slot] = (await classPlanOf(school.db.read, school.runtime, classId)).slots;
  await changePlan(ana, { classIds: [classId], what: "change", slotId: slot?.id, values: { lessons: 3 } });
  await expect(undoChange(cora, changeId ?? "")).rejects.toThrow("later change builds on it");
});
