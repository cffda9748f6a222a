import { afterEach, beforeEach, describe, expect, it } from "vitest";
import { planView } from "@/features/plan/reads/planView";
import { plansView, sharedPlanView } from "@/features/plan/reads/sharedPlans";
import { changePlan } from "@/features/plan/writes/changePlan";
import { changeSharedPlan } from "@/features/plan/writes/changeSharedPlan";
import { choosePlan } from "@/features/plan/writes/choosePlan";
import { closePlan, openPlan } from "@/features/plan/writes/planRights";
import { bringPlanBack, makePlan, putPlanAway, renamePlan } from "@/features/plan/writes/sharedPlans";
import { takeOverChanges } from "@/features/plan/writes/takeOverChanges";
import { archiveStaff } from "@/features/roster/writes/staff";
import { undoChange } from "@/server/history/undoChange";
import type { Context } from "@/server/runtime/context";
import { makeClass, type TestSchool, testSchool } from "../support/school";

let school: TestSchool;
let ana: Context;
let ben: Context;
let cora: Context;
beforeEach(async () => {
  school = await testSchool();
  [ana, ben, cora] = [await school.teacher("ana"), await school.teacher("ben"), await school.teacher("cora")];
});
afterEach(() => school.close());

const GRADE_SIX = { subjectId: "mathematics", grade: 6 };
const [RATIOS, RATES] = ["Ratios", "Rates and percents"];
async function make(who: Context, over: object = {}): Promise<string> {
  const id = school.runtime.newId();
  await makePlan(who, { id, name: "Our year", isYear: true, ...GRADE_SIX, ...over });
  return id;
}
const rowsOf = async (who: Context, planId: string) => (await sharedPlanView(who, planId)).rows;
const titles = async (who: Context, planId: string) => (await rowsOf(who, planId)).map(({ title }) => title);
const change = (who: Context, planId: string, over: object) => changeSharedPlan(who, { planId, ...over });
const slot = async (who: Context, planId: string, title: string) => {
  const found = (await rowsOf(who, planId)).find((one) => one.title === title);
  return { slotId: found?.id, version: found?.version };
};
const line = (title: string) => ({ what: "insert", slot: { id: school.runtime.newId(), title } });
const names = async (who: Context) =>
  (await plansView(who)).plans.map(({ name, whose, level }) => [name, whose, level]);

describe("a plan of a person or a school", () => {
  it("is made once, from a year, an own class or nothing, and is one's own until it is opened", async () => {
    const id = await make(ana);
    expect(await makePlan(ana, { id, name: "Again", ...GRADE_SIX })).toEqual({ planId: id, changeId: null });
    expect(await titles(ana, id)).toEqual([RATIOS, RATES]);
    expect(await names(ana)).toEqual([["Our year", "you", "look-after"]]);
    expect(await names(ben)).toEqual([]);
    await expect(sharedPlanView(ben, id)).rejects.toThrow();
    expect(await titles(ana, await make(ana, { isYear: false, name: "Empty" }))).toEqual([]);
    const { classId } = await makeClass(school, 1);
    const own = await make(await school.teacher(), { classId, isYear: false, name: "From 6 Test" });
    expect((await titles(ana, own)).length).toBeGreaterThan(0);
    await expect(make(ben, { classId })).rejects.toThrow();
    await expect(make(ana, { ofSchool: true })).rejects.toThrow();
  });

  it("is changed by several at once: who moves what somebody else has moved is told, and who changes another slot is not", async () => {
    const id = await make(ana);
    await openPlan(ana, { planId: id, personId: "ben", level: "change" });
    const [seen, other] = [await slot(ben, id, RATES), await slot(ben, id, RATIOS)];
    await change(ana, id, { what: "move", ...seen, place: 0 });
    await expect(change(ben, id, { what: "move", ...seen, place: 0 })).rejects.toThrow("Somebody changed this slot");
    await change(ben, id, { what: "change", ...other, values: { lessons: 9 } });
    expect((await rowsOf(ana, id)).map(({ title, lessons }) => [title, lessons])).toEqual([
      [RATES, 20],
      [RATIOS, 9],
    ]);
    const { history } = await sharedPlanView(ben, id);
    expect(history.map(({ who, what }) => `${who}: ${what}`).slice(0, 2)).toEqual([
      "Ben Tester: Changed in the plan “Our year”: Ratios",
      "Ana Tester: Moved in the plan “Our year”: Rates and percents",
    ]);
  });

  it("is copied by those to whom it is open, closed again, renamed, put away and brought back", async () => {
    const id = await make(ana);
    const { changeId } = await openPlan(ana, { planId: id, personId: "ben", level: "use" });
    await expect(openPlan(ana, { planId: id, personId: "ben", level: "use" })).rejects.toThrow("may do that already");
    await expect(change(ben, id, line("Trip"))).rejects.toThrow();
    const copy = await make(ben, { planId: id, name: "Ben's year" });
    expect(await titles(ben, copy)).toEqual([RATIOS, RATES]);
    await undoChange(ana, changeId);
    await expect(sharedPlanView(ben, id)).rejects.toThrow();
    expect((await sharedPlanView(ben, copy)).original).toMatchObject({ changes: [] });
    expect((await sharedPlanView(ben, copy)).original?.closed).toContain("not open to you");
    await openPlan(ana, { planId: id, schoolId: school.schoolId, level: "use" });
    expect(await names(ben)).toContainEqual(["Our year", "Ana Tester", "use"]);
    const [right] = (await sharedPlanView(ana, id)).rights;
    await closePlan(ana, { planId: id, rightId: right?.id });
    expect((await names(ben)).map(([name]) => name)).toEqual(["Ben's year"]);
    await renamePlan(ana, { planId: id, name: "The year" });
    await putPlanAway(ana, { planId: id });
    expect((await plansView(ana)).putAway).toEqual([{ id, name: "The year" }]);
    await bringPlanBack(ana, { planId: id });
    expect((await names(ana)).map(([name]) => name)).toEqual(["The year"]);
  });

  it("whose maker has left is still copied, and looked after by the coordinator", async () => {
    const id = await make(ben);
    await openPlan(ben, { planId: id, schoolId: school.schoolId, level: "use" });
    await archiveStaff(cora, { personId: "ben" });
    expect((await plansView(ana)).plans).toMatchObject([{ whose: "Ben Tester", ownerLeft: true, level: "use" }]);
    expect((await plansView(cora)).plans).toMatchObject([{ level: "look-after" }]);
    await make(ana, { planId: id, name: "Mine now" });
  });

  it("gives later changes to its copies, slot by slot: changed, new and gone, taken over or left", async () => {
    const id = await make(cora, { ofSchool: true });
    const copy = await make(ana, { planId: id, name: "Ana's" });
    await change(ana, copy, { what: "change", ...(await slot(ana, copy, RATES)), values: { lessons: 12 } });
    await change(cora, id, { what: "change", ...(await slot(cora, id, RATES)), values: { lessons: 15 } });
    await change(cora, id, { ...line("Open day"), place: 1 });
    await change(cora, id, { what: "remove", ...(await slot(cora, id, RATIOS)) });
    const changes = (await sharedPlanView(ana, copy)).original?.changes ?? [];
    expect(changes).toMatchObject([
      { what: "new", title: "Open day", here: null },
      { what: "changed", title: RATES, here: "12 lessons", there: "15 lessons", clash: true },
      { what: "gone", title: RATIOS, there: null, clash: false },
    ]);
    const [day, rates, ratios] = changes.map(({ originId }) => originId);
    const { changeId, taken } = await takeOverChanges(ana, { planId: copy, take: [day, ratios], leave: [rates] });
    expect(taken).toBe(2);
    expect(await titles(ana, copy)).toEqual(["Open day", RATES]);
    expect((await rowsOf(ana, copy))[1]?.lessons).toBe(12);
    expect((await sharedPlanView(ana, copy)).original?.changes).toEqual([]);
    await expect(takeOverChanges(ana, { planId: copy, take: [day] })).rejects.toThrow("somebody was quicker");
    await undoChange(ana, changeId);
    expect((await sharedPlanView(ana, copy)).original?.changes.length).toBe(3);
  });
});

describe("a class's plan copied from one", () => {
  it("has its lessons for the class's days, knows later changes in them, and takes them over with new dates", async () => {
    const { classId } = await makeClass(school, 1);
    ana = await school.teacher();
    const id = await make(cora, { ofSchool: true });
    const view = await planView(ana, classId);
    expect(view.choice.plans).toMatchObject([{ id, name: "Our year", whose: "Test School", slots: 2, weeks: 8 }]);
    const chosen = { classIds: [classId], ...GRADE_SIX, firstDay: "2026-11-23", weekdays: [1, 3] };
    expect(await choosePlan(ana, { ...chosen, planId: id })).toMatchObject({ gone: [] });
    const before = await planView(ana, classId);
    expect(before.slots.map(({ lessons }) => lessons)).toEqual([8, 8]);
    expect(before.original?.changes).toEqual([]);
    await change(cora, id, { what: "change", ...(await slot(cora, id, RATIOS)), values: { lessons: 10 } });
    await change(cora, id, { ...line("Test week"), place: 1 });
    const { original } = await planView(ana, classId);
    expect(original?.changes).toMatchObject([
      { what: "changed", title: RATIOS, here: "8 lessons", there: "4 lessons" },
      { what: "new", title: "Test week" },
    ]);
    const take = original?.changes.map(({ originId }) => originId);
    const { changeId } = await takeOverChanges(ana, { classId, take });
    const after = await planView(ana, classId);
    expect(after.slots.map(({ title, lessons }) => [title, lessons])).toEqual([
      [RATIOS, 4],
      ["Test week", 1],
      [RATES, 8],
    ]);
    expect(after.slots[2]?.days?.from).not.toBe(before.slots[1]?.days?.from);
    await undoChange(ana, changeId);
    expect((await planView(ana, classId)).slots.length).toBe(2);
    // What was taken out here is not offered again.
    const taken = (await planView(ana, classId)).slots[1];
    await changePlan(ana, { classIds: [classId], what: "remove", slotId: taken?.id });
    expect((await planView(ana, classId)).original?.changes.map(({ title }) => title)).toEqual([RATIOS, "Test week"]);
    await choosePlan(ana, chosen);
    expect((await planView(ana, classId)).original).toBe(null);
  });

  it("is refused where it does not fit: another subject, an empty plan, a day outside the year, one that is not open", async () => {
    const { classId } = await makeClass(school, 1);
    ana = await school.teacher();
    const chosen = { classIds: [classId], ...GRADE_SIX, firstDay: "2026-11-23", weekdays: [1] };
    await expect(choosePlan(ana, { ...chosen, firstDay: "2026-08-01" })).rejects.toThrow("before the first term");
    await expect(choosePlan(ana, { ...chosen, firstDay: "2027-03-01" })).rejects.toThrow("after the last term");
    const empty = await make(ana, { isYear: false });
    await expect(choosePlan(ana, { ...chosen, planId: empty })).rejects.toThrow("holds nothing yet");
    const closed = await make(ben);
    await expect(choosePlan(ana, { ...chosen, planId: closed })).rejects.toThrow();
  });
});

it("a test stands at its place in the year: it asks about a unit's skills, takes a lesson and teaches nothing", async () => {
  const { classId } = await makeClass(school, 1);
  ana = await school.teacher();
  const chosen = { classIds: [classId], ...GRADE_SIX, firstDay: "2026-11-23", weekdays: [1, 2, 3, 4, 5] };
  await choosePlan(ana, chosen);
  const { putIn } = await planView(ana, classId);
  const end = putIn.tests.find(({ name }) => name === "End of Ratios");
  expect(end).toMatchObject({ moment: "end" });
  const wanted = { id: school.runtime.newId(), unitId: end?.unitId, moment: end?.moment };
  await changePlan(ana, { classIds: [classId], what: "insert", slot: wanted, place: 1 });
  const view = await planView(ana, classId);
  expect(view.slots[1]).toMatchObject({ title: "End of Ratios", kind: "work", lessons: 1, skills: [] });
  expect(view.slots[1]?.test).toMatchObject({
    items: 12,
    skillIds: ["ratio-language", "equivalent-ratios", "ratio-tables"],
  });
  expect(view.putIn.tests.some(({ name }) => name === "End of Ratios")).toBe(false);
  expect(view.comes?.title).toBe(RATES);
  expect(view.done?.of).toBe(6);
  expect(view.faults).toEqual([]);
});
