import { afterEach, beforeEach, describe, expect, it } from "vitest";
import { assignmentById, partsOfWorks } from "@/db/queries/work";
import { resultsView } from "@/features/delivery/reads/results";
import { studentHome } from "@/features/delivery/reads/studentHome";
import type { SittingView } from "@/features/delivery/types";
import { handIn } from "@/features/delivery/writes/handIn";
import { openSitting } from "@/features/delivery/writes/openSitting";
import { workView } from "@/features/work/reads/workView";
import { changeRules } from "@/features/work/writes/changeRules";
import { furtherTry } from "@/features/work/writes/furtherTry";
import { grant } from "@/features/work/writes/grant";
import { sendLines } from "@/features/work/writes/lines";
import { undoChange } from "@/server/history/undoChange";
import { give, givePractice, makeClass, START, type TestSchool, testSchool } from "../support/school";
import { summariesHold } from "../support/summariesHold";

let school: TestSchool;
let classId: string;
let studentIds: string[];
let kim: string;
beforeEach(async () => {
  school = await testSchool();
  ({ classId, studentIds } = await makeClass(school, 3));
  kim = studentIds[0] as string;
});
afterEach(() => school.close());

const DAY = 86_400_000;
const of = (form: string, seeds: readonly [number, number]) => [
  { itemId: "ratio-language/fraction-of-all", skillId: "ratio-language", seed: seeds[0], form },
  { itemId: "unit-rates/for-one", skillId: "unit-rates", seed: seeds[1], form },
];
const giveTest = (over: Record<string, unknown> = {}) =>
  givePractice(school, classId, studentIds, {
    kind: "quiz",
    title: "Ratios test",
    skillIds: ["ratio-language", "unit-rates"],
    items: 2,
    picked: [...of("A", [4, 3]), ...of("B", [7, 9])],
    settings: { goBack: true },
    ...over,
  });
const partOf = async (workId: string): Promise<string> => {
  const work = await assignmentById(school.db.read, workId);
  return (await partsOfWorks(school.db.read, [work?.workId ?? ""]))[0]?.id ?? "";
};
/** Does a test with so many items right, and hands it in. */
async function take(workId: string, right: number, who = kim): Promise<SittingView> {
  const view = await openSitting(school.student(who), workId);
  for (const [place, { presentationId }] of (view.whole?.items ?? []).entries())
    await give(school, who, view, place < right ? "right" : "wrong", { presentationId, screen: {} });
  await handIn(school.student(who), { sittingId: view.sittingId });
  return view;
}
const again = async (workId: string, over: object = {}) =>
  furtherTry(await school.teacher(), {
    assignmentId: workId,
    partId: await partOf(workId),
    studentIds: [kim],
    form: "other",
    ...over,
  });
const row = async (workId: string, who = kim) =>
  (await workView(await school.teacher(), workId)).rows.find(({ studentId }) => studentId === who);
const rulesOf = async (workId: string, over: object = {}, rules: object = {}) =>
  changeRules(await school.teacher(), {
    assignmentId: workId,
    title: "Ratios test",
    rules: { cutPercent: 80, ...rules },
    parts: [{ id: await partOf(workId), items: 2 }],
    ...over,
  });

describe("another try", () => {
  it("stands on the student's page with the other form, and the latest mark counts", async () => {
    const id = await giveTest();
    const one = await take(id, 1);
    expect((await studentHome(school.student(kim))).now).toEqual([]);
    await again(id);
    const home = await studentHome(school.student(kim));
    expect(home.now).toMatchObject([{ workId: id, again: true }]);
    expect(await row(id)).toMatchObject({ markPercent: 50, granted: ["another try"] });
    const two = await take(id, 2);
    expect(two.sittingId).not.toBe(one.sittingId);
    expect(two.whole?.items.map(({ stem }) => stem)).not.toEqual(one.whole?.items.map(({ stem }) => stem));
    expect(await row(id)).toMatchObject({ markPercent: 100, tries: [50, 100], granted: [] });
    expect((await studentHome(school.student(kim))).now).toEqual([]);
    await summariesHold(school);
  });

  it("may be with the same items, and counts by the rule of the work", async () => {
    const id = await giveTest({ rules: { retake: "best", cutPercent: 80 } });
    const one = await take(id, 2);
    await again(id, { form: "same" });
    // Opened, it is not handed in yet: the first mark stands.
    expect(await row(id)).toMatchObject({ markPercent: 100, passed: true });
    const two = await take(id, 0);
    expect(two.whole?.items.map(({ stem }) => stem)).toEqual(one.whole?.items.map(({ stem }) => stem));
    expect(await row(id)).toMatchObject({ markPercent: 100, passed: true, tries: [100, 0] });
    await rulesOf(id, {}, { retake: "mean" });
    expect(await row(id)).toMatchObject({ markPercent: 50, passed: false });
  });

  it("counts in the class average as it counts for its student, and whoever is excused is not in it", async () => {
    const id = await giveTest();
    const average = async () => (await workView(await school.teacher(), id)).average;
    expect(await average()).toBe(null);
    await take(id, 1);
    await take(id, 2, studentIds[1]);
    expect(await average()).toEqual({ percent: 75, students: 2 });
    await again(id);
    await take(id, 2);
    expect(await average()).toEqual({ percent: 100, students: 2 });
    await grant(await school.teacher(), { assignmentId: id, studentIds: [kim], excuse: "was ill" });
    expect(await average()).toEqual({ percent: 100, students: 1 });
  });

  it("is given to whoever finished, once at a time, and undone while it is not used", async () => {
    const id = await giveTest();
    await expect(again(id)).rejects.toThrow("has not finished the first try");
    await take(id, 1);
    const { changeId } = await again(id);
    await expect(again(id)).rejects.toThrow("another try already");
    await undoChange(await school.teacher(), changeId);
    expect((await studentHome(school.student(kim))).now).toEqual([]);
    expect(await row(id)).toMatchObject({ status: "handed-in" });
    await again(id);
    await take(id, 2);
    await again(id, { form: "same" });
    await take(id, 1);
    expect(await row(id)).toMatchObject({ tries: [50, 100, 50], markPercent: 50 });
  });

  it("opens work whose time is over until a day, and refuses what there is not", async () => {
    const id = await giveTest({ picked: of("A", [4, 3]) });
    await take(id, 1);
    await expect(again(id)).rejects.toThrow("one form only");
    school.setNow(START + 10 * DAY);
    await expect(again(id, { form: "same", untilDay: "2026-11-27" })).rejects.toThrow("This day is over");
    await again(id, { form: "same", untilDay: "2026-12-08" });
    expect((await studentHome(school.student(kim))).now).toMatchObject([{ workId: id, again: true }]);
    await take(id, 2);
    expect(await row(id)).toMatchObject({ markPercent: 100 });
  });
});

describe("rules changed after giving", () => {
  it("says beforehand what that means for those who have begun, and changes nothing by saying it", async () => {
    const id = await giveTest({ rules: { cutPercent: 80 } });
    await take(id, 1);
    const { endsAt: endBefore } = await openSitting(school.student(studentIds[1] as string), id);
    const part = { id: await partOf(id), items: 2, minutes: 30 };
    const asked = { parts: [part], closesDay: "2026-12-01", title: "Ratios, once more" };
    const rules = { cutPercent: 50, release: { score: "done" } };
    const { effects, changeId } = await rulesOf(id, { ...asked, isPreview: true }, rules);
    expect(effects).toEqual([
      { what: "passes", students: 1 },
      { what: "shown", students: 1, of: "score" },
      { what: "minutes", students: 1 },
    ]);
    expect(changeId).toBe(null);
    expect(await workView(await school.teacher(), id)).toMatchObject({ title: "Ratios test", cutPercent: 80 });
    expect((await resultsView(school.student(kim), id, null)).released).toBe(false);
    const done = await rulesOf(id, asked, rules);
    expect(await workView(await school.teacher(), id)).toMatchObject({ title: "Ratios, once more", cutPercent: 50 });
    expect(await row(id)).toMatchObject({ passed: true });
    expect((await resultsView(school.student(kim), id, null)).score).toMatchObject({ percent: 50 });
    // Who is at work has an end now, counted from when they began.
    expect((await openSitting(school.student(studentIds[1] as string), id)).endsAt).toBe(START + 30 * 60_000);
    await undoChange(await school.teacher(), done.changeId ?? "");
    expect((await openSitting(school.student(studentIds[1] as string), id)).endsAt).toBe(endBefore);
    expect(await workView(await school.teacher(), id)).toMatchObject({ title: "Ratios test", cutPercent: 80 });
    expect((await resultsView(school.student(kim), id, null)).released).toBe(false);
  });

  it("moves the cut by which parts open along", async () => {
    const [before, follow] = [school.runtime.newId(), school.runtime.newId()];
    const { giveWork } = await import("@/features/work/writes/giveWork");
    const id = school.runtime.newId();
    await giveWork(await school.teacher(), {
      workId: school.runtime.newId(),
      title: "Test with practice",
      parts: [
        {
          id: before,
          kind: "quiz",
          skillIds: ["ratio-language", "unit-rates"],
          settings: { items: 2, goBack: true },
          items: of("A", [4, 3]),
        },
        {
          id: follow,
          kind: "practice",
          skillIds: [],
          settings: { items: 12, missedIn: { partId: before, alsoAtCut: false } },
          opening: [{ by: "below", partId: before, percent: 80 }],
        },
      ],
      to: [{ assignmentId: id, classId, studentIds }],
      opens: { day: "2026-11-23", time: "06:00" },
      due: { day: "2026-11-27", time: "20:00" },
      rules: { cutPercent: 80 },
    });
    await take(id, 1);
    expect((await row(id))?.parts.map(({ state }) => state)).toEqual(["done", "open"]);
    const parts = [
      { id: before, items: 2 },
      { id: follow, items: 12 },
    ];
    await rulesOf(id, { parts, title: "Test with practice" }, { cutPercent: 50 });
    expect((await row(id))?.parts.map(({ state }) => state)).toEqual(["done", "not-needed"]);
  });

  it("refuses what can't be, with nothing changed", async () => {
    const id = await giveTest();
    await expect(rulesOf(id, {}, { cutPercent: 0 })).rejects.toThrow("above 0");
    await expect(rulesOf(id, { closesDay: "2026-11-24" })).rejects.toThrow("before the work is due");
    await expect(rulesOf(id, { parts: [{ id: "x", items: 2 }] })).rejects.toThrow("Open the page again");
    await expect(rulesOf(id, { parts: [{ id: await partOf(id), items: 2, minutes: 0 }] })).rejects.toThrow("a minute");
    // What is as it was is no change.
    expect((await rulesOf(id, {}, { cutPercent: null })).changeId).toBe(null);
    const plain = await giveTest({ settings: { goBack: true, calculator: false, minutes: 20 } });
    const part = { id: await partOf(plain), items: 2, minutes: 20, calculator: false };
    expect((await rulesOf(plain, { parts: [part] }, { cutPercent: null })).changeId).toBe(null);
    expect((await rulesOf(plain, { parts: [{ ...part, calculator: true }] }, { cutPercent: null })).changeId).not.toBe(
      null,
    );
  });
});

it("comments stay with what they are on, for the student and for the teacher", async () => {
  const id = await giveTest({ rules: { release: { score: "done" } } });
  await take(id, 1);
  const text = "Your second step is the one to look at. ".repeat(8).trim();
  const { changeId } = await sendLines(await school.teacher(), {
    assignmentId: id,
    studentIds: [kim],
    kind: "comment",
    text,
  });
  expect((await resultsView(school.student(kim), id, null)).comments).toEqual([text]);
  expect((await studentHome(school.student(kim))).done).toMatchObject([{ comments: [text] }]);
  expect(await row(id)).toMatchObject({ comments: [text] });
  expect(await row(id, studentIds[1])).toMatchObject({ comments: [] });
  await undoChange(await school.teacher(), changeId);
  expect(await row(id)).toMatchObject({ comments: [] });
  const short = { assignmentId: id, studentIds: [kim], kind: "praise", text };
  await expect(sendLines(await school.teacher(), short)).rejects.toThrow("at most 200");
});
