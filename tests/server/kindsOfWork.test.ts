import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";
import { seededRandom } from "@/core/numeric/seededRandom";
import { openDatabase } from "@/db/connection";
import { answersOfPerson, evidenceAfter, scoresOfPerson } from "@/db/queries/answerLog";
import { allMisconceptionSigns, allSkillDays, allSkillStates, type SkillStateRow } from "@/db/queries/summaries";
import { sittings } from "@/db/schema/sittings";
import { completions } from "@/db/schema/work";
import { studentHome } from "@/features/delivery/reads/studentHome";
import { submitAnswer } from "@/features/delivery/writes/submitAnswer";
import { cellView } from "@/features/evidence/reads/evidence";
import { historyPage } from "@/features/frame/reads/history";
import { workView } from "@/features/work/reads/workView";
import { withdrawWork } from "@/features/work/writes/changeWork";
import { undoChange } from "@/server/history/undoChange";
import { createRuntime } from "@/server/runtime/runtime";
import { rescoreItem } from "@/server/summaries/rescore";
import { bodyWith, chooseAll, putItem, writeWord } from "../support/newItem";
import { answersTo, give, givePractice, makeClass, open, type TestSchool, testSchool } from "../support/school";
import { summariesHold } from "../support/summariesHold";

let school: TestSchool;
let classId: string;
let studentIds: string[];
beforeEach(async () => {
  school = await testSchool();
  ({ classId, studentIds } = await makeClass(school, 3));
});
afterEach(() => school.close());

const first = () => studentIds[0] as string;
const log = () => evidenceAfter(school.db.read, 0, 1000);

const amount = (over: Record<string, unknown> = {}) =>
  givePractice(school, classId, studentIds, { kind: "amount", skillIds: ["ratio-language"], items: 4, ...over });

describe("a fixed number of items", () => {
  it("is told after each try, ends after so many, and its mark is the share right at the first try", async () => {
    const id = await amount();
    let view = await open(school, first(), id);
    const miss = await give(school, first(), view, "wrong");
    expect(miss.outcome).toMatchObject({ status: "scored", itemOver: false, feedback: { verdict: "wrong" } });
    view = (await give(school, first(), miss.sitting, "right")).sitting;
    while (view.current) view = (await give(school, first(), view, "right")).sitting;
    expect(view).toMatchObject({ finished: "amount", itemsDone: 4, itemsRight: 3 });
    expect((await school.db.read.select().from(sittings))[0]).toMatchObject({ mark: "3/4", finishReason: "amount" });
    const row = (await workView(await school.teacher(), id)).rows.find(({ studentId }) => studentId === first());
    expect(row).toMatchObject({ status: "amount", itemsRight: 3, itemsDone: 4, markPercent: null });
    expect((await studentHome(school.student(first()))).done).toMatchObject([{ kind: "amount", finished: "amount" }]);
  });

  it("may be made of items picked by hand: the same draws in the same order for everybody", async () => {
    const picked = [
      { itemId: "ratio-language/fraction-of-all", skillId: "ratio-language", seed: 4 },
      { itemId: "ratio-language/name-the-ratio", skillId: "ratio-language", seed: 11 },
    ];
    const id = await amount({ picked });
    const stems = [];
    for (const student of studentIds) {
      let view = await open(school, student, id);
      const own = [];
      while (view.current) {
        own.push(view.current.stem);
        view = (await give(school, student, view, "right")).sitting;
      }
      expect(view).toMatchObject({ finished: "amount", itemsDone: 2 });
      stems.push(own);
    }
    expect(stems[0]).toHaveLength(2);
    expect(stems).toEqual([stems[0], stems[0], stems[0]]);
  });

  it.each([
    ["of an item that is not there", { itemId: "gone", skillId: "ratio-language", seed: 1 }, {}],
    ["of a skill that the work is not for", { itemId: "unit-rates/for-one", skillId: "unit-rates", seed: 1 }, {}],
    [
      "for practice",
      { itemId: "ratio-language/name-the-ratio", skillId: "ratio-language", seed: 1 },
      { kind: "practice" },
    ],
  ])("takes no pick %s", async (_, pick, over) => {
    await expect(amount({ picked: [pick], ...over })).rejects.toMatchObject({ code: "invalid" });
  });
});

describe("an item of several parts and kinds", () => {
  const two = () => bodyWith(chooseAll, { ...writeWord, skillIds: ["equivalent-ratios"], points: 2 });
  const picked = [{ itemId: "own/two", skillId: "ratio-language", seed: 3 }];

  it("is scored part by part, for the skill that each part tells about, and its time counts once", async () => {
    await putItem(school, "own/two", two());
    const id = await amount({ picked });
    const view = await open(school, first(), id);
    expect(view.current?.parts.map(({ kind, prompt }) => [kind, prompt])).toEqual([
      ["multiple-choice", null],
      ["short-text", "What is it called?"],
    ]);
    const { right } = await answersTo(school, view, view.current?.presentationId ?? "");
    const [letter] = (right.a as { options: string[] }).options;
    const reply = await give(school, first(), view, "right", {
      response: { a: { options: [letter] }, b: { text: "difference" } },
    });
    expect(reply.outcome).toMatchObject({
      status: "scored",
      feedback: { verdict: "partly", text: expect.stringContaining("how many times") },
    });
    expect(
      (await scoresOfPerson(school.db.read, first())).map((s) => [
        s.part,
        s.skillId,
        s.earned,
        s.possible,
        s.points,
        s.misconceptionId,
      ]),
    ).toEqual([
      ["a", "ratio-language", 1, 2, 1, null],
      ["b", "equivalent-ratios", 0, 1, 2, "compared-by-difference"],
    ]);
    const days = await allSkillDays(school.db.read);
    expect(days.map(({ skillId, answered, right: all }) => [skillId, answered, all])).toEqual([
      ["equivalent-ratios", 1, 0],
      ["ratio-language", 1, 0],
    ]);
    const [answer] = await answersOfPerson(school.db.read, first());
    expect(days.reduce((sum, { milliseconds }) => sum + milliseconds, 0)).toBe(answer?.milliseconds);
    await give(school, first(), reply.sitting, "right");
    expect((await school.db.read.select().from(sittings))[0]).toMatchObject({ itemsRight: 0, mark: "1/4" });
    const row = (await workView(await school.teacher(), id)).rows.find(({ studentId }) => studentId === first());
    expect(row?.markPercent).toBe(25);
    await summariesHold(school);
  });

  it("stores what was chosen by its stable id, never by its place", async () => {
    await putItem(school, "own/two", two());
    const id = await amount({ picked });
    for (const student of studentIds) await give(school, student, await open(school, student, id), "right");
    const responses = await Promise.all(studentIds.map((student) => answersOfPerson(school.db.read, student)));
    for (const [answer] of responses)
      expect(answer?.response).toEqual({ a: { options: ["once", "twice"] }, b: { text: "ratio" } });
    const cell = await cellView(await school.teacher(), first(), "ratio-language");
    expect(cell.answers[0]?.given).toMatch(/^\d+; \d+; ratio$/);
  });

  it("asks for the part that can't be read, and uses no try up", async () => {
    await putItem(school, "own/two", two());
    const view = await open(school, first(), await amount({ picked }));
    const reply = await give(school, first(), view, "right", { response: { a: { options: ["A"] }, b: { text: " " } } });
    expect(reply.outcome).toMatchObject({ reason: "unreadable", message: expect.stringContaining("Part 2") });
    expect(reply.sitting.current?.tries).toBe(0);
    for (const response of [{}, { a: "A" }, { a: { options: "A" }, b: 7 }])
      expect((await give(school, first(), view, "right", { response })).outcome).toMatchObject({
        reason: "unreadable",
      });
    expect(await log()).toHaveLength(0);
  });
});

describe("a corrected key", () => {
  const wrongKey = bodyWith({
    id: "a",
    kind: "number",
    answer: "n + 1",
    right: "x == n + 1",
    misconceptions: [{ id: "compared-by-difference", value: "n" }],
  });
  const rightKey = bodyWith({ id: "a", kind: "number", answer: "n", right: "x == n", misconceptions: [] });
  const picked = [3, 5].map((seed) => ({ itemId: "own/key", skillId: "ratio-language", seed }));

  it("scores old answers anew: answers stay, new scores take the old ones' place, and only whom it concerns is rebuilt", async () => {
    await putItem(school, "own/key", wrongKey);
    const id = await amount({ picked });
    const [a, b, c] = studentIds as [string, string, string];
    for (const student of [a, b]) {
      let view = await open(school, student, id);
      while (view.current) view = (await give(school, student, view, "right")).sitting;
    }
    // What the true key wants, which the wrong one took for a mistake.
    const view = await open(school, c, id);
    const n = Number(/\d+/.exec(view.current?.stem ?? "")?.[0]);
    await give(school, c, view, "right", { response: { a: { text: String(n) } } });
    const other = await open(school, b, await givePractice(school, classId, [b], { skillIds: ["unit-rates"] }));
    await give(school, b, other, "right");
    const answers = await answersOfPerson(school.db.read, c);
    const before = await allSkillStates(school.db.read);
    expect(await allMisconceptionSigns(school.db.read)).toHaveLength(1);

    await putItem(school, "own/key", rightKey, { number: 2 });
    expect(await rescoreItem(school.runtime, "own/key")).toMatchObject({ answers: 5, changed: 5, students: 3 });
    expect(await answersOfPerson(school.db.read, c)).toEqual(answers);
    const scores = await scoresOfPerson(school.db.read, c);
    expect(
      scores.map(({ earned, by, supersedes, misconceptionId }) => [earned, by, supersedes, misconceptionId]),
    ).toEqual([
      [0, "rule", null, "compared-by-difference"],
      [1, "re-score", scores[0]?.serial, null],
    ]);
    expect(await allMisconceptionSigns(school.db.read)).toEqual([]);
    const after = await allSkillStates(school.db.read);
    const state = (rows: SkillStateRow[], person: string, skill: string) =>
      rows.find(({ personId, skillId }) => personId === person && skillId === skill);
    expect(state(after, c, "ratio-language")?.mastery).toBeGreaterThan(
      state(before, c, "ratio-language")?.mastery ?? 1,
    );
    expect(state(after, a, "ratio-language")?.mastery).toBeLessThan(state(before, a, "ratio-language")?.mastery ?? 0);
    expect(state(after, b, "unit-rates")).toEqual(state(before, b, "unit-rates"));
    expect((await cellView(await school.teacher(), c, "ratio-language")).answers[0]).toMatchObject({ right: true });
    await summariesHold(school);
    expect(await rescoreItem(school.runtime, "own/key")).toMatchObject({ changed: 0, students: 0 });
    await expect(rescoreItem(school.runtime, "gone")).rejects.toMatchObject({ code: "not-found" });

    // One entry, whatever followed from it; taken back, everything is as it was, and the scores of between are still there.
    const coordinator = await school.teacher("cora");
    const { entries } = await historyPage(coordinator, [], { find: "own/key judged", area: "scores", before: null });
    expect(entries).toMatchObject([
      { sentence: "Judged the answers to own/key by version 2 of its key", mayUndo: true },
    ]);
    const rescored = entries[0]?.id ?? "";
    await expect(undoChange(await school.teacher(), rescored)).rejects.toMatchObject({ code: "not-allowed" });
    await undoChange(coordinator, rescored);
    expect(await allSkillStates(school.db.read)).toEqual(before);
    expect(await allMisconceptionSigns(school.db.read)).toHaveLength(1);
    expect((await scoresOfPerson(school.db.read, c)).map(({ earned, by }) => [earned, by])).toEqual([
      [0, "rule"],
      [1, "re-score"],
      [0, "re-score"],
    ]);
    await summariesHold(school);
    // Judged once more and taken back in the wrong order: the earlier entry is refused.
    await rescoreItem(school.runtime, "own/key");
    await expect(undoChange(coordinator, rescored)).rejects.toMatchObject({ code: "conflict" });
  });
});

describe("runs that several hands move", () => {
  it("two answers to one item at the same moment: one counts, the other is told so", async () => {
    const view = await open(school, first(), await givePractice(school, classId, [first()]));
    const replies = await Promise.all([0, 1, 2].map(() => give(school, first(), view, "wrong")));
    expect(replies.filter(({ outcome }) => outcome.status === "scored")).toHaveLength(1);
    expect(replies.filter(({ outcome }) => outcome.status === "not-counted")).toHaveLength(2);
    expect(await log()).toHaveLength(1);
    await summariesHold(school);
  });

  it("two pieces of work on one skill, in turn and at once, leave summaries that hold", async () => {
    const ids = [await givePractice(school, classId, [first()]), await givePractice(school, classId, [first()])];
    const views = [await open(school, first(), ids[0] ?? ""), await open(school, first(), ids[1] ?? "")];
    for (let n = 0; n < 3; n++) {
      const replies = await Promise.all(views.map((view) => give(school, first(), view, n === 1 ? "wrong" : "right")));
      for (const [place, { sitting }] of replies.entries()) views[place] = sitting;
    }
    expect((await log()).filter(({ tryNumber }) => tryNumber === 1).length).toBeGreaterThanOrEqual(4);
    await summariesHold(school);
  });

  it("another process that has it in memory notices that it is behind", async () => {
    const view = await open(school, first(), await givePractice(school, classId, [first()], { items: 20 }));
    const db = await openDatabase(`file:${school.file}`, "src/db/migrations");
    const runtime = createRuntime(db, () => school.runtime.now(), seededRandom("other process"));
    const here = { ...school };
    const there = { ...school, db, runtime, student: (id: string) => ({ ...school.student(id), runtime }) };
    let sitting = (await give(here, first(), view, "right")).sitting;
    for (let n = 0; n < 6 && sitting.current; n++)
      sitting = (await give(n % 2 === 0 ? there : here, first(), sitting, n === 3 ? "wrong" : "right")).sitting;
    const counts = (await log()).filter(({ tryNumber }) => tryNumber === 1).length;
    expect(sitting.itemsDone).toBe(counts);
    expect((await school.db.read.select().from(sittings))[0]?.itemsDone).toBe(sitting.itemsDone);
    db.close();
    await summariesHold(school);
  });

  it("work withdrawn while an answer to it is written takes no further one, though the run was kept before", async () => {
    const id = await givePractice(school, classId, [first()]);
    const view = await open(school, first(), id);
    const write = school.db.write.bind(school.db);
    const spy = vi.spyOn(school.db, "write").mockImplementationOnce(async (change) => {
      const result = await write(change);
      await withdrawWork(await school.teacher(), { assignmentId: id });
      return result;
    });
    const { outcome, sitting } = await give(school, first(), view, "right");
    spy.mockRestore();
    expect(outcome.status).toBe("scored");
    expect((await give(school, first(), sitting, "right")).outcome).toMatchObject({
      status: "not-counted",
      reason: "withdrawn",
    });
    expect(await log()).toHaveLength(1);
  });

  it("a key used once more, on another item or by somebody else, scores nothing again", async () => {
    const id = await givePractice(school, classId, [first(), studentIds[1] as string]);
    const key = school.runtime.newId();
    const begun = await give(school, first(), await open(school, first(), id), "right", { key });
    const again = await give(school, first(), begun.sitting, "wrong", { key });
    expect(again.outcome).toMatchObject({ status: "scored", feedback: { verdict: "right" } });
    const theirs = await open(school, studentIds[1] as string, id);
    await expect(give(school, studentIds[1] as string, theirs, "right", { key })).rejects.toMatchObject({
      code: "not-allowed",
    });
    expect(await log()).toHaveLength(1);
    await summariesHold(school);
  });

  it("a second attempt is a sitting of its own, and the latest one counts", async () => {
    const id = await amount();
    let view = await open(school, first(), id);
    while (view.current) view = (await give(school, first(), view, "wrong")).sitting;
    const [done] = await school.db.read.select().from(sittings);
    if (!done) throw new Error("no sitting");
    const again = { ...done, id: "again", attempt: 2, version: 1, itemsDone: 0, itemsRight: 0, progressPermille: 0 };
    await school.db.write((tx) =>
      tx.insert(sittings).values({ ...again, finishedAt: null, finishReason: null, mark: null }),
    );
    await school.db.write((tx) => tx.delete(completions));
    await expect(school.db.write((tx) => tx.insert(sittings).values({ ...again, id: "twice" }))).rejects.toThrow();
    const { rows } = await workView(await school.teacher(), id);
    expect(rows).toHaveLength(3);
    expect(rows.find(({ studentId }) => studentId === first())).toMatchObject({ status: "working", itemsDone: 0 });
    expect((await studentHome(school.student(first()))).now).toMatchObject([{ begun: true, finished: null }]);
  });
});

it("a reply sends only the items that the browser does not hold", async () => {
  const view = await open(school, first(), await givePractice(school, classId, [first()], { items: 20 }));
  const holds = view.reserve.map(({ presentationId }) => presentationId);
  const { sitting } = await give(school, first(), view, "right", { holds });
  expect(sitting.reserveIds.length).toBeGreaterThanOrEqual(3);
  expect(sitting.reserve.map(({ presentationId }) => presentationId).some((id) => holds.includes(id))).toBe(false);
  expect(sitting.reserve.length).toBeLessThan(sitting.reserveIds.length);
  expect(sitting).not.toHaveProperty("lessons");
  await expect(submitAnswer(school.student(first()), { key: "x" })).rejects.toMatchObject({ code: "invalid" });
});
