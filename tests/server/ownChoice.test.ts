import { afterEach, beforeEach, describe, expect, it } from "vitest";
import { everythingAbout } from "@/db/queries/everythingAbout";
import { assignmentsOfClasses, openSkillsOf } from "@/db/queries/work";
import { ownSkill, ownSkills } from "@/features/delivery/reads/ownSkills";
import { studentHome } from "@/features/delivery/reads/studentHome";
import { chooseOwn } from "@/features/delivery/writes/chooseOwn";
import { setGoal } from "@/features/delivery/writes/setGoal";
import { studentSheet } from "@/features/evidence/reads/evidence";
import { workFigure } from "@/features/work/figure";
import { give, givePractice, makeClass, open, START, type TestSchool, testSchool } from "../support/school";

const SKILL = "ratio-language";
const DAY = 86_400_000;

let school: TestSchool;
let classId: string;
let kim: string;
let lou: string;
beforeEach(async () => {
  school = await testSchool();
  const made = await makeClass(school, 2);
  classId = made.classId;
  [kim = "", lou = ""] = made.studentIds;
});
afterEach(() => school.close());

const choose = (over: object = {}, who = kim) =>
  chooseOwn(school.student(who), { skillId: SKILL, how: "amount", items: 5, ...over });
async function finish(assignmentId: string, who = kim) {
  let at = await open(school, who, assignmentId);
  while (at.finished === null) at = { ...at, ...(await give(school, who, at, "right")).sitting };
  return at;
}

describe("work that a student chooses", () => {
  it("names what is open, begins it with the length chosen, and counts as evidence", async () => {
    const before = await ownSkills(school.student(kim));
    expect(before.strands.flatMap(({ skills }) => skills).find(({ skillId }) => skillId === SKILL)?.standing).toBe(
      "ready",
    );
    const { assignmentId } = await choose();
    const view = await open(school, kim, assignmentId);
    expect(view).toMatchObject({ kind: "amount", mostItems: 5, ownSkillId: SKILL });
    const over = await finish(assignmentId);
    expect(over.itemsDone).toBe(5);
    const after = await ownSkill(school.student(kim), SKILL);
    expect(after.standing).not.toBe("ready");
    expect(after.begun).toBe(null);
  });

  it("goes on with the same that was left open, and begins another length beside it", async () => {
    const [first, again] = [await choose(), await choose()];
    expect(again).toEqual(first);
    expect(await choose({ items: 10 })).not.toEqual(first);
    const check = await choose({ how: "check" });
    expect(await open(school, kim, check.assignmentId)).toMatchObject({ kind: "sequential", mostItems: 5 });
    // Nobody shares what another chose.
    expect(await choose({}, lou)).not.toEqual(first);
    await finish(first.assignmentId);
    expect(await choose()).not.toEqual(first);
  });

  it("stands on the student's own page and on no teacher's list", async () => {
    await choose();
    const home = await studentHome(school.student(kim));
    expect(home.own.map(({ title }) => title)).toHaveLength(1);
    expect(home.now).toEqual([]);
    const ana = await school.teacher();
    expect(await assignmentsOfClasses(school.db.read, [classId])).toEqual([]);
    expect(await openSkillsOf(school.db.read, [kim], START)).toEqual([]);
    expect(await workFigure(ana, [classId])).toMatchObject({ text: "no open work" });
  });

  it("leaves the student's page two weeks after it was finished, and stays in the teacher's sheet", async () => {
    const { assignmentId } = await choose();
    await finish(assignmentId);
    expect((await studentHome(school.student(kim))).done).toMatchObject([{ workId: assignmentId }]);
    school.setNow(START + 15 * DAY);
    const home = await studentHome(school.student(kim));
    expect([home.done, home.own, home.over]).toEqual([[], [], []]);
    const { works } = await studentSheet(await school.teacher(), kim);
    expect(works.map(({ title }) => title)).toEqual(["Saying it as a ratio, own choice"]);
  });

  it("waits while something goes first, and refuses what is not open", async () => {
    await expect(choose({ skillId: "nothing" })).rejects.toThrow("not open to you yet");
    await expect(choose({ items: 0 })).rejects.toThrow("3 items or more");
    await expect(chooseOwn(await school.teacher(), { skillId: SKILL, how: "check" })).rejects.toThrow("for students");
    await givePractice(school, classId, [kim], { skillIds: [SKILL], rules: { goesFirst: true } });
    await expect(choose()).rejects.toThrow("First finish");
    expect((await studentHome(school.student(kim))).own).toEqual([]);
  });
});

it("shows the days worked and the goal set, which is the student's alone", async () => {
  await finish((await choose()).assignmentId);
  await setGoal(school.student(kim), { daysAWeek: 2 });
  const { days } = await studentHome(school.student(kim));
  expect(days).toMatchObject({ goal: 2, daysThisWeek: 1 });
  expect(days.weeks.at(-1)?.[0]).toMatchObject({ day: "2026-11-23", pieces: 1, when: "today" });
  school.setNow(START + DAY);
  expect((await studentHome(school.student(kim))).days).toMatchObject({ daysThisWeek: 1 });
  school.setNow(START + 7 * DAY);
  expect((await studentHome(school.student(kim))).days).toMatchObject({ goal: 2, daysThisWeek: 0 });
  expect((await everythingAbout(school.db.read, kim))["own-goal"]).toMatchObject([{ daysAWeek: 2 }]);
  await setGoal(school.student(kim), { daysAWeek: 0 });
  expect((await studentHome(school.student(kim))).days.goal).toBe(null);
  expect((await studentHome(school.student(lou))).days).toMatchObject({ goal: null, daysThisWeek: 0 });
  await expect(setGoal(school.student(kim), { daysAWeek: 8 })).rejects.toThrow("7 days");
});
