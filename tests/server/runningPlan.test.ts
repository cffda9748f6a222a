import { afterEach, beforeEach, describe, expect, it } from "vitest";
import { assignmentsOfClasses } from "@/db/queries/work";
import { studentHome } from "@/features/delivery/reads/studentHome";
import type { SittingChange } from "@/features/delivery/types";
import { takeNext } from "@/features/delivery/writes/takeNext";
import { planStudents } from "@/features/plan/reads/planStudents";
import { changePlan } from "@/features/plan/writes/changePlan";
import { choosePlan } from "@/features/plan/writes/choosePlan";
import { setNetworks } from "@/features/plan/writes/setNetworks";
import { setRunning } from "@/features/plan/writes/setRunning";
import { setStarts } from "@/features/plan/writes/setStarts";
import { workFigure } from "@/features/work/figure";
import { undoChange } from "@/server/history/undoChange";
import { classPlanOf } from "@/server/plan/classPlan";
import type { Context } from "@/server/runtime/context";
import { give, givePractice, makeClass, open, type TestSchool, testSchool } from "../support/school";

let school: TestSchool;
let ana: Context;
let classId: string;
let kim: string;
let lou: string;
beforeEach(async () => {
  school = await testSchool();
  const made = await makeClass(school, 2);
  classId = made.classId;
  [kim = "", lou = ""] = made.studentIds;
  ana = await school.teacher();
  const year = { subjectId: "mathematics", grade: 6, weekdays: [1, 2, 3, 4, 5] };
  // Four weeks a unit: today, the eleventh week of the term, lies in the second one.
  await choosePlan(ana, { classIds: [classId], firstDay: "2026-10-19", ...year });
});
afterEach(() => school.close());

const AT_SCHOOL = "10.20.0.7";
const AT_HOME = "203.0.113.9";
const as = (id: string, address = AT_SCHOOL): Context => ({ ...school.student(id), address });
const run = (pace: "own" | "class" = "own") => setRunning(ana, { classId, runs: true, pace });
const next = async (id: string, address = AT_SCHOOL) => (await studentHome(as(id, address))).next[0]?.open ?? null;
const take = async (id: string, address = AT_SCHOOL) => {
  const { assignmentId } = await takeNext(as(id, address), { classId });
  return { assignmentId, view: await open(school, id, assignmentId) };
};
async function work(id: string, view: SittingChange, how: "right" | "wrong"): Promise<SittingChange> {
  let at = view;
  while (at.finished === null) at = (await give(school, id, at, how)).sitting;
  return at;
}
/** Has a student master what comes next. */
const master = async (id: string, address = AT_SCHOOL) => {
  const { assignmentId, view } = await take(id, address);
  expect((await work(id, view, "right")).finished).toBe("mastered");
  return assignmentId;
};
const place = async (id: string) => (await planStudents(ana, classId)).students.find((one) => one.id === id);
const slotOf = async (n: number) => (await classPlanOf(school.db.read, school.runtime, classId)).slots[n]?.id ?? "";

describe("a plan that runs by itself", () => {
  it("gives nothing until it is switched on, and nothing more once it is switched off", async () => {
    expect((await studentHome(as(kim))).next).toEqual([]);
    await expect(takeNext(as(kim), { classId })).rejects.toThrow("no plan that runs by itself");
    const { changeId } = await run();
    expect(await next(kim)).toMatchObject({ begun: false, neededFor: null });
    expect((await planStudents(ana, classId)).runBy).toBe("Ana Tester");
    await undoChange(ana, changeId ?? "");
    await expect(takeNext(as(kim), { classId })).rejects.toThrow("no plan that runs by itself");
    expect(await setRunning(ana, { classId, runs: false, pace: "own" })).toEqual({ changeId: null });
  });

  it("is switched off by taking it back, and what was begun stays the student's", async () => {
    const { changeId } = await run();
    await take(kim);
    const { assignmentId } = await takeNext(as(kim), { classId });
    await undoChange(ana, changeId ?? "");
    expect((await open(school, kim, assignmentId)).finished).toBe(null);
  });

  it("is not for somebody of another class", async () => {
    await run();
    const { studentIds } = await makeClass(school, 1, "6 Birch");
    await expect(takeNext(as(studentIds[0] ?? ""), { classId })).rejects.toThrow("not in this class");
    await expect(takeNext(ana, { classId })).rejects.toThrow("Only students");
  });

  it("gives what comes next without a due day, once however often it is asked for, and stays out of what was assigned", async () => {
    await run();
    const [one, other] = await Promise.all([takeNext(as(kim), { classId }), takeNext(as(kim), { classId })]);
    expect(one).toEqual(other);
    expect((await take(lou)).assignmentId).toBe(one.assignmentId);
    const home = await studentHome(as(kim));
    expect(home.now).toEqual([]);
    expect(home.next[0]?.open).toMatchObject({ begun: true });
    expect(await assignmentsOfClasses(school.db.read, [classId])).toEqual([]);
    expect((await workFigure(ana, [classId])).text).toBe("no open work");
    expect(await place(kim)).toMatchObject({ pieces: 0, atSchool: { begun: true, place: 1 } });
  });

  it("passes over what is mastered, so that nobody repeats it, and goes on to the next slot", async () => {
    await run();
    const seen: string[] = [];
    for (let n = 0; n < 6; n++) {
      seen.push((await place(kim))?.atSchool?.skillId ?? "");
      await master(kim);
    }
    expect(seen.slice(0, 3)).toEqual(["ratio-language", "equivalent-ratios", "ratio-tables"]);
    expect(new Set(seen).size).toBe(6);
    expect(await place(kim)).toMatchObject({ atSchool: null, done: { done: 6, of: 6 }, pieces: 6 });
    const home = await studentHome(as(kim));
    expect(home.next).toMatchObject([{ open: null, onlyElsewhere: false }]);
    await expect(takeNext(as(kim), { classId })).rejects.toThrow("mastered everything");
  });

  it("lets a piece that ended without mastery rest for the day, and gives it again as a further run", async () => {
    await run();
    const first = await take(kim);
    expect((await work(kim, first.view, "wrong")).finished).toBe("budget");
    const after = await place(kim);
    expect(after).toMatchObject({ atSchool: { skillId: "times-as-many", neededFor: "Ratio language" } });
    expect((await studentHome(as(kim))).done).toMatchObject([{ finished: "budget" }]);
    await master(kim);
    school.setNow(Date.parse("2026-11-24T09:00:00Z"));
    const again = await take(kim);
    expect(again.assignmentId).toBe(first.assignmentId);
    expect(again.view.finished).toBe(null);
    expect(again.view.sittingId).not.toBe(first.view.sittingId);
  });

  it("gives what is missing underneath first, and says what for", async () => {
    await run();
    // Wrong answers in what ratios build on.
    const given = await givePractice(school, classId, [lou], { skillIds: ["times-as-many"], items: 6 });
    await work(lou, await open(school, lou, given), "wrong");
    expect(await place(lou)).toMatchObject({ atSchool: { skillId: "times-as-many", neededFor: "Ratio language" } });
    const { neededFor } = (await next(lou)) ?? {};
    expect(neededFor).toBeTruthy();
    expect((await place(kim))?.atSchool?.skillId).toBe("ratio-language");
  });

  it("gives with the class's dates what is taught now, and what lies ahead only when nothing else is open", async () => {
    await run("class");
    // What unit rates build on is not there yet, so it comes first.
    expect(await place(kim)).toMatchObject({ atSchool: { place: 2, neededFor: "Unit rates" } });
    await run("own");
    for (let n = 0; n < 3; n++) await master(kim);
    await run("class");
    expect(await place(kim)).toMatchObject({ atSchool: { place: 2, skillId: "unit-rates" }, daysAhead: 0 });
    expect(await place(lou)).toMatchObject({ atSchool: { place: 2 } });
  });

  it("offers at home nothing that may be done at school only, and the other way round", async () => {
    await run();
    await changePlan(ana, {
      classIds: [classId],
      what: "change",
      slotId: await slotOf(0),
      values: { whereAt: "school" },
    });
    const cora = await school.teacher("cora");
    // As long as the school says nothing of addresses, nothing tells.
    expect((await next(kim, AT_HOME))?.title).toBe((await next(kim))?.title);
    const { changeId } = await setNetworks(cora, { networks: ["10.20.0.0/16"] });
    expect((await next(kim, AT_HOME))?.title).not.toBe((await next(kim))?.title);
    const home = await take(kim, AT_HOME);
    const there = await take(kim);
    expect(home.assignmentId).not.toBe(there.assignmentId);
    await changePlan(ana, {
      classIds: [classId],
      what: "change",
      slotId: await slotOf(1),
      values: { whereAt: "school" },
    });
    expect((await studentHome(as(kim, AT_HOME))).next).toMatchObject([{ open: null, onlyElsewhere: true }]);
    await expect(takeNext(as(kim, AT_HOME), { classId })).rejects.toThrow("another place");
    expect(await planStudents(ana, classId)).toMatchObject({ nothingAtHome: true, tellsPlaces: true });
    await undoChange(cora, changeId ?? "");
    expect((await planStudents(ana, classId)).tellsPlaces).toBe(false);
    await expect(setNetworks(cora, { networks: ["10.20.0.0/99"] })).rejects.toThrow("no range of addresses");
    await expect(setNetworks(ana, { networks: [] })).rejects.toThrow();
  });

  it("begins for many at once where they have got to, where their grade begins, or at a slot, and back", async () => {
    await run();
    const both = { classId, studentIds: [kim, lou] };
    const { changeId, moved } = await setStarts(ana, { ...both, from: "slot", slotId: await slotOf(1) });
    expect(moved).toBe(2);
    expect(await place(kim)).toMatchObject({ startsAt: "Rates and percents", atSchool: { place: 2 } });
    await undoChange(ana, changeId ?? "");
    expect(await place(kim)).toMatchObject({ startsAt: null, atSchool: { place: 1 } });
    for (let n = 0; n < 3; n++) await master(kim);
    await setStarts(ana, { ...both, from: "shown" });
    expect((await place(kim))?.startsAt).toBe("Rates and percents");
    expect((await place(lou))?.startsAt).toBe("Ratios");
    await setStarts(ana, { ...both, from: "grade" });
    expect((await place(kim))?.startsAt).toBe("Ratios");
    expect((await setStarts(ana, { ...both, from: "first" })).moved).toBe(2);
    expect(await setStarts(ana, { ...both, from: "first" })).toEqual({ changeId: null, moved: 0 });
    await expect(setStarts(ana, { ...both, from: "slot", slotId: "gone" })).rejects.toThrow("not in the plan");
    await expect(setStarts(ana, { classId, studentIds: ["gone"], from: "first" })).rejects.toThrow("no longer in the");
  });
});
