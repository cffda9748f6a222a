import { afterEach, beforeEach, describe, expect, it } from "vitest";
import { resultsView } from "@/features/delivery/reads/results";
import { studentHome } from "@/features/delivery/reads/studentHome";
import type { EnteredView, SittingView } from "@/features/delivery/types";
import { handIn } from "@/features/delivery/writes/handIn";
import { openSitting, openWork } from "@/features/delivery/writes/openSitting";
import { unlock } from "@/features/delivery/writes/unlock";
import { setNetworks } from "@/features/plan/writes/setNetworks";
import { workList } from "@/features/work/reads/works";
import { workView } from "@/features/work/reads/workView";
import { giveNow } from "@/features/work/writes/changeWork";
import { giveWork } from "@/features/work/writes/giveWork";
import { grant, openPart } from "@/features/work/writes/grant";
import { releaseWork } from "@/features/work/writes/release";
import { undoChange } from "@/server/history/undoChange";
import { give, givePractice, makeClass, type TestSchool, testSchool } from "../support/school";

let school: TestSchool;
let classId: string;
let studentIds: string[];
beforeEach(async () => {
  school = await testSchool();
  ({ classId, studentIds } = await makeClass(school, 3));
});
afterEach(() => school.close());

const first = () => studentIds[0] as string;
const id = () => school.runtime.newId();

/** A test of seven draws worth 34 points together, practice on what was missed below 80, and a test after. */
async function givePair(over: { readonly word?: boolean; readonly onlyBelow?: boolean } = {}) {
  const [pre, follow, post] = [id(), id(), id()];
  const draws = (from: number) =>
    POINTS.map((points, place) => ({
      itemId: place % 2 === 0 ? "ratio-language/fraction-of-all" : "unit-rates/for-one",
      skillId: place % 2 === 0 ? "ratio-language" : "unit-rates",
      seed: from + place,
      points,
    }));
  const test = (partId: string, title: string, from: number, opening: object[]) => ({
    id: partId,
    kind: "quiz",
    title,
    skillIds: ["ratio-language", "unit-rates"],
    settings: { items: POINTS.length, goBack: true },
    opening,
    items: draws(from),
  });
  const assignmentId = id();
  await giveWork(await school.teacher(), {
    workId: id(),
    title: "Before and after",
    parts: [
      test(pre, "Before", 0, []),
      {
        id: follow,
        kind: "practice",
        title: "What was missed",
        skillIds: [],
        settings: { items: 4, missedIn: { partId: pre, alsoAtCut: false } },
        opening: [{ by: "below", partId: pre, percent: 80 }],
      },
      test(post, "After", 20, [
        { by: "done", partId: pre },
        { by: "done", partId: follow },
        ...(over.word ? [{ by: "word" }] : []),
        ...(over.onlyBelow ? [{ by: "below", partId: pre, percent: 80 }] : []),
      ]),
    ],
    to: [{ assignmentId, classId, studentIds }],
    opens: { day: "2026-11-23", time: "06:00" },
    due: { day: "2026-12-04", time: "20:00" },
    rules: { cutPercent: 80 },
  });
  return { assignmentId, pre, follow, post };
}
/** Of 34 points: without the first item it is 27, which are 79.4 %; without the second 28, 82.3 %. */
const POINTS = [7, 6, 5, 5, 4, 4, 3] as const;

const enter = (assignmentId: string, partId: string | null = null, studentId = first()) =>
  openWork(school.student(studentId), assignmentId, partId);
const runOf = (entered: EnteredView): SittingView => {
  if (entered.as !== "run") throw new Error("These are parts.");
  return entered.view;
};
const statesOf = async (assignmentId: string, studentId = first()) => {
  const entered = await enter(assignmentId, null, studentId);
  return entered.as === "parts" ? entered.view.parts.map(({ state }) => state) : [];
};
/** Takes a test in which the items at some places are wrong. */
async function take(assignmentId: string, partId: string, wrong: readonly number[], studentId = first()) {
  const view = runOf(await enter(assignmentId, partId, studentId));
  for (const [place, item] of (view.whole?.items ?? []).entries())
    await give(school, studentId, view, wrong.includes(place) ? "wrong" : "right", {
      presentationId: item.presentationId,
    });
  await handIn(school.student(studentId), { sittingId: view.sittingId });
}
async function workOff(assignmentId: string, partId: string, studentId = first()) {
  let view: Parameters<typeof give>[2] = runOf(await enter(assignmentId, partId, studentId));
  while (view.current) view = (await give(school, studentId, view, "right")).sitting;
}

describe("a test, practice on what was missed, and a test after", () => {
  it("opens part by part: below the cut practice follows, with just the skills that were missed", async () => {
    const { assignmentId, pre, follow, post } = await givePair();
    expect(await statesOf(assignmentId)).toEqual(["open", "locked", "locked"]);
    const entered = await enter(assignmentId);
    expect(entered.as === "parts" && entered.view.parts[2]?.waitsFor).toEqual([
      "First finish “Before”.",
      "First finish “What was missed”.",
    ]);
    await expect(openSitting(school.student(first()), assignmentId, post)).rejects.toMatchObject({ code: "closed" });
    // All unit rates wrong: 15 points lost.
    await take(assignmentId, pre, [1, 3, 5]);
    expect(await statesOf(assignmentId)).toEqual(["done", "open", "locked"]);
    const practice = runOf(await enter(assignmentId, follow));
    expect(Object.keys(practice.lessons)).toEqual(["unit-rates"]);
    expect(practice.hasParts).toBe(true);
    await workOff(assignmentId, follow);
    expect(await statesOf(assignmentId)).toEqual(["done", "done", "open"]);
    expect((await studentHome(school.student(first()))).done).toEqual([]);
    await take(assignmentId, post, []);
    expect((await studentHome(school.student(first()))).done).toMatchObject([{ finished: "handed-in" }]);
    const { rows, parts } = await workView(await school.teacher(), assignmentId);
    expect(parts.map(({ title }) => title)).toEqual(["Before", "What was missed", "After"]);
    // 5 of 9 points before, all after: of nobody else both are there.
    expect(rows.map(({ gain }) => gain?.points ?? null).sort()).toEqual([44, null, null]);
    expect(rows.find(({ studentId }) => studentId === first())?.parts).toMatchObject([
      { state: "done", markPercent: 55, passed: false },
      { state: "done", markPercent: 100, passed: null },
      { state: "done", markPercent: 100, passed: true },
    ]);
    expect((await workList(await school.teacher(), [classId]))[0]).toMatchObject({ finished: 1, notStarted: 2 });
  });

  it("79.4 % do not pass 80, and are not rounded up to it; those who pass go on to the test after", async () => {
    const { assignmentId, pre } = await givePair();
    await take(assignmentId, pre, [1]);
    expect(await statesOf(assignmentId)).toEqual(["done", "not-needed", "open"]);
    const second = studentIds[1] as string;
    await take(assignmentId, pre, [0], second);
    expect((await statesOf(assignmentId, second))[1]).toBe("open");
    const { rows } = await workView(await school.teacher(), assignmentId);
    const marks = rows.map(({ parts: [before] }) => [before?.markPercent, before?.passed]);
    expect(marks.slice(0, 2)).toEqual([
      [82, true],
      [79, false],
    ]);
  });

  it("the test after is for those below the cut alone, or opens at the teacher's word, where that was set", async () => {
    const only = await givePair({ onlyBelow: true });
    await take(only.assignmentId, only.pre, []);
    expect(await statesOf(only.assignmentId)).toEqual(["done", "not-needed", "not-needed"]);
    expect((await studentHome(school.student(first()))).done).toHaveLength(1);
    const word = await givePair({ word: true });
    await take(word.assignmentId, word.pre, []);
    expect(await statesOf(word.assignmentId)).toEqual(["done", "not-needed", "locked"]);
    const teacher = await school.teacher();
    const asked = { assignmentId: word.assignmentId, partId: word.post, studentIds: [first()] };
    const { changeId } = await openPart(teacher, asked);
    expect(await statesOf(word.assignmentId)).toEqual(["done", "not-needed", "open"]);
    expect((await openPart(teacher, asked)).changeId).toBeNull();
    await undoChange(teacher, changeId ?? "");
    expect((await statesOf(word.assignmentId))[2]).toBe("locked");
  });

  it("results lead to the practice that follows, once they are shown", async () => {
    const { assignmentId, pre, follow } = await givePair();
    await take(assignmentId, pre, [1, 3, 5]);
    expect(await resultsView(school.student(first()), assignmentId, pre)).toMatchObject({ released: false });
    await releaseWork(await school.teacher(), { assignmentId, what: ["answers"] });
    expect(await resultsView(school.student(first()), assignmentId, pre)).toMatchObject({
      partTitle: "Before",
      score: { percent: 55 },
      toWorkOn: [{ skillId: "unit-rates" }],
      followUp: follow,
    });
  });
});

describe("what can't be given", () => {
  const part = (over: object = {}) => ({
    id: id(),
    kind: "quiz",
    skillIds: ["unit-rates"],
    settings: { items: 4 },
    ...over,
  });
  const work = (over: object) => ({
    workId: id(),
    title: "T",
    parts: [part()],
    to: [{ assignmentId: id(), classId, studentIds }],
    opens: { day: "2026-11-23", time: "06:00" },
    due: { day: "2026-11-27", time: "20:00" },
    ...over,
  });
  it.each([
    ["due before it opens", () => ({ opens: { day: "2026-11-30", time: "06:00" } }), "lies before the work opens"],
    ["closed before it is due", () => ({ closes: { day: "2026-11-26", time: "20:00" } }), "close before it is due"],
    ["a cut of nought", () => ({ rules: { cutPercent: 0 } }), "A cut lies above 0"],
    ["a cut over a hundred", () => ({ rules: { cutPercent: 100.5 } }), "A cut lies above 0"],
    ["no part", () => ({ parts: [] }), "Put something into the work"],
    ["a day that is none", () => ({ due: { day: "2026-02-30", time: "20:00" } }), "Choose a day that exists"],
    [
      "a part that waits for a later one",
      () => {
        const later = part();
        return { parts: [part({ opening: [{ by: "done", partId: later.id }] }), later] };
      },
      "only for parts that stand before it",
    ],
    [
      "a follow-up of nothing",
      () => ({
        parts: [part({ kind: "practice", settings: { items: 4, missedIn: { partId: id(), alsoAtCut: true } } })],
      }),
      "needs that test in the same work",
    ],
    ["nobody", () => ({ to: [] }), "Choose somebody"],
    ["a code of one letter", () => ({ rules: { unlockCode: "x" } }), "3 to 12 letters"],
  ])("%s", async (_, over, words) => {
    const asked = giveWork(await school.teacher(), work(over()));
    await expect(asked).rejects.toMatchObject({ code: "invalid", message: expect.stringContaining(words) });
    expect(await workList(await school.teacher(), [classId])).toEqual([]);
  });
});

describe("by which rules", () => {
  const give1 = (rules: object) => givePractice(school, classId, studentIds, { rules });

  it("prepared work is on nobody's list until it is given", async () => {
    const workId = await give1({ isPrepared: true });
    const home = () => studentHome(school.student(first()));
    expect((await home()).now).toEqual([]);
    await expect(openSitting(school.student(first()), workId)).rejects.toMatchObject({ code: "not-found" });
    const teacher = await school.teacher();
    expect(await workList(teacher, [classId])).toMatchObject([{ state: "prepared" }]);
    await giveNow(teacher, { assignmentId: workId });
    expect((await home()).now).toHaveLength(1);
    await expect(giveNow(teacher, { assignmentId: workId })).rejects.toMatchObject({ code: "conflict" });
  });

  it("while something that goes first is open, nothing else is; it never blocks whoever is through or excused", async () => {
    const other = await give1({});
    const before = await give1({ goesFirst: true });
    const home = () => studentHome(school.student(first()));
    expect((await home()).now.map(({ workId, waitsFor }) => [workId, waitsFor])).toEqual([
      [before, null],
      [other, "Practice"],
    ]);
    await expect(openSitting(school.student(first()), other)).rejects.toMatchObject({ code: "closed" });
    await grant(await school.teacher(), { assignmentId: before, studentIds: [first()], excuse: "was ill" });
    expect((await home()).now.map(({ workId, waitsFor }) => [workId, waitsFor])).toEqual([[other, null]]);
    expect((await openSitting(school.student(first()), other)).current).not.toBeNull();
    await expect(openSitting(school.student(first()), before)).rejects.toMatchObject({ code: "closed" });
  });

  it("work for school opens in its network, or elsewhere for a day with the code", async () => {
    await setNetworks(await school.teacher("cora"), { networks: ["10.20.0.0/16"] });
    const workId = await give1({ onlyAtSchool: true, unlockCode: "WEIR7" });
    const at = (address: string) => ({ ...school.student(first()), address });
    await expect(openSitting(at("192.168.0.4"), workId)).rejects.toMatchObject({ code: "locked" });
    expect((await openSitting(at("10.20.3.4"), workId)).current).not.toBeNull();
    await expect(openSitting(at("192.168.0.4"), workId)).rejects.toMatchObject({ code: "locked" });
    await expect(unlock(at("192.168.0.4"), { assignmentId: workId, code: "wrong" })).rejects.toMatchObject({
      code: "invalid",
    });
    await unlock(at("192.168.0.4"), { assignmentId: workId, code: "weir7" });
    expect((await openSitting(at("192.168.0.4"), workId)).current).not.toBeNull();
    school.setNow(Date.parse("2026-11-24T09:00:00Z"));
    await expect(openSitting(at("192.168.0.4"), workId)).rejects.toMatchObject({ code: "locked" });
  });
});
