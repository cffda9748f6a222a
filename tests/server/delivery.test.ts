import { afterEach, beforeEach, describe, expect, it } from "vitest";
import { answersOfPerson, evidenceAfter } from "@/db/queries/answerLog";
import { studentHome } from "@/features/delivery/reads/studentHome";
import { giveHint } from "@/features/delivery/writes/giveHint";
import { submitAnswer } from "@/features/delivery/writes/submitAnswer";
import { rebuildSummaries } from "@/server/summaries/rebuild";
import { answersTo, give, givePractice, makeClass, open, START, type TestSchool, testSchool } from "../support/school";
import { agreesWithLog, allSummaries } from "../support/summariesHold";

const DAY = 86_400_000;
let school: TestSchool;
let classId: string;
let studentIds: string[];
beforeEach(async () => {
  school = await testSchool();
  ({ classId, studentIds } = await makeClass(school, 3));
});
afterEach(() => school.close());

const log = () => evidenceAfter(school.db.read, 0, 1000);
const first = () => studentIds[0] as string;
const workIdOf = (view: object) => ("workId" in view ? String(view.workId) : "");

describe("a student at work", () => {
  it("finds work to do, sees no answer in it, and resumes at the same item", async () => {
    const workId = await givePractice(school, classId, [first()]);
    expect((await studentHome(school.student(first()))).now).toMatchObject([{ workId, begun: false }]);
    const view = await open(school, first(), workId);
    const { item } = await answersTo(school, view, view.current?.presentationId ?? "");
    expect(JSON.stringify(view)).not.toContain(item.solution);
    expect(JSON.stringify(view)).not.toMatch(/"right"|misconception|"key"|versionId|itemId|seed/);
    expect((await open(school, first(), workId)).current).toEqual(view.current);
  });

  it("gets feedback at once, a second try, and the solution after two misses", async () => {
    const view = await open(school, first(), await givePractice(school, classId, [first()]));
    const miss = await give(school, first(), view, "wrong");
    expect(miss.outcome).toMatchObject({
      status: "scored",
      itemOver: false,
      feedback: { verdict: "wrong", solution: null, answer: null },
    });
    expect(miss.sitting.current?.presentationId).toBe(view.current?.presentationId);
    const again = await open(school, first(), workIdOf(view));
    expect(again.current).toMatchObject({ tries: 1, lastFeedback: { verdict: "wrong", answer: null } });
    const second = await give(school, first(), again, "wrong");
    expect(second.outcome).toMatchObject({
      itemOver: true,
      feedback: { solution: expect.any(String), answer: expect.any(String) },
    });
    expect(second.sitting.current?.presentationId).not.toBe(view.current?.presentationId);
    expect(second.sitting.itemsDone).toBe(1);
  });

  it("asks for a readable answer without using up the try", async () => {
    let view = await open(school, first(), await givePractice(school, classId, [first()]));
    while (view.current?.parts[0]?.kind !== "number") view = (await give(school, first(), view, "right")).sitting;
    const before = (await log()).length;
    const reply = await give(school, first(), view, "right", { response: { a: { text: "lots" } } });
    expect(reply.outcome).toMatchObject({ reason: "unreadable", message: expect.stringContaining("number") });
    expect(reply.sitting.current).toMatchObject({ presentationId: view.current.presentationId, tries: 0 });
    expect(await log()).toHaveLength(before);
  });

  it("ends when mastered, on two items or more", async () => {
    let view = await open(school, first(), await givePractice(school, classId, [first()], { items: 20 }));
    for (let n = 0; n < 20 && view.finished === null; n++) view = (await give(school, first(), view, "right")).sitting;
    expect(view.finished).toBe("mastered");
    expect(view.current).toBeNull();
    expect(view.itemsDone).toBeGreaterThanOrEqual(4);
    expect(view.itemsDone).toBeLessThan(12);
    expect(new Set((await log()).map(({ itemId }) => itemId)).size).toBeGreaterThanOrEqual(2);
  });

  it("ends when the budget is used, and never shows an item twice", async () => {
    let view = await open(school, first(), await givePractice(school, classId, [first()], { items: 5 }));
    for (let n = 0; n < 10 && view.finished === null; n++) view = (await give(school, first(), view, "wrong")).sitting;
    expect(view).toMatchObject({ finished: "budget", itemsDone: 5, itemsRight: 0 });
    const given = await answersOfPerson(school.db.read, first());
    expect(new Set(given.map(({ itemId, seed }) => `${itemId}#${seed}`)).size).toBe(5);
  });

  it("works across several skills", async () => {
    const skillIds = ["times-as-many", "ratio-language"];
    let view = await open(school, first(), await givePractice(school, classId, [first()], { skillIds, items: 30 }));
    for (let n = 0; n < 30 && view.finished === null; n++) view = (await give(school, first(), view, "right")).sitting;
    expect(view.finished).toBe("mastered");
    expect(new Set((await log()).map(({ skillId }) => skillId))).toEqual(new Set(skillIds));
  });
});

describe("an answer", () => {
  it("sent twice counts once and gets the same reply", async () => {
    const view = await open(school, first(), await givePractice(school, classId, [first()]));
    const key = school.runtime.newId();
    const [one, two] = await Promise.all([
      give(school, first(), view, "right", { key }),
      give(school, first(), view, "right", { key }),
    ]);
    expect(two.outcome).toEqual(one.outcome);
    expect(two.sitting).toEqual(one.sitting);
    expect(await log()).toHaveLength(1);
  });

  it("from a second window is refused gently and not logged", async () => {
    const view = await open(school, first(), await givePractice(school, classId, [first()]));
    await give(school, first(), view, "right");
    const late = await give(school, first(), view, "wrong");
    expect(late.outcome).toMatchObject({ status: "not-counted", reason: "elsewhere" });
    expect(late.sitting.current?.presentationId).not.toBe(view.current?.presentationId);
    expect(await log()).toHaveLength(1);
  });

  it("given without a connection goes to a reserve item, once, without a second try", async () => {
    const view = await open(school, first(), await givePractice(school, classId, [first()]));
    expect(view.reserve.length).toBeGreaterThanOrEqual(3);
    const reserved = view.reserve[0]?.presentationId ?? "";
    const a = await give(school, first(), view, "wrong", { offline: true });
    const b = await give(school, first(), view, "right", { offline: true, presentationId: reserved });
    expect(a.outcome).toMatchObject({ itemOver: true });
    expect(b.outcome).toMatchObject({ itemOver: true, feedback: { verdict: "right" } });
    expect(b.sitting.itemsDone).toBe(2);
    expect(b.sitting.current?.presentationId).not.toBe(reserved);
    expect((await log()).map(({ earned }) => earned)).toEqual([0, 1]);
  });

  it("to somebody else's work is refused", async () => {
    const view = await open(school, first(), await givePractice(school, classId, [first()]));
    const other = studentIds[1] as string;
    await expect(give(school, other, view, "right")).rejects.toMatchObject({ code: "not-allowed" });
    await expect(open(school, other, workIdOf(view))).rejects.toMatchObject({ code: "not-found" });
    await expect(open(school, first(), "nothing")).rejects.toMatchObject({ code: "not-found" });
    expect(await log()).toHaveLength(0);
  });

  it("of no known shape is refused in words", async () => {
    await expect(submitAnswer(school.student(first()), null)).rejects.toMatchObject({ code: "invalid" });
    await expect(submitAnswer(school.student(first()), { key: "x" })).rejects.toMatchObject({ code: "invalid" });
  });
});

describe("work that is over or not open", () => {
  it("says so, and a teacher can't work in a student's place", async () => {
    const later = await givePractice(school, classId, [first()], { opensDay: "2026-11-25" });
    await expect(open(school, first(), later)).rejects.toMatchObject({ code: "closed" });
    const now = await givePractice(school, classId, [first()]);
    school.setNow(START + 10 * DAY);
    await expect(open(school, first(), now)).rejects.toMatchObject({ code: "closed" });
    expect(await studentHome(school.student(first()))).toMatchObject({
      now: [],
      over: [{ workId: later }, { workId: now }],
    });
    school.setNow(START + 40 * DAY);
    expect((await studentHome(school.student(first()))).over).toEqual([]);
  });
});

it("the summaries are what the rules say of the log, as a second and naive reading of it finds, and so is a rebuild", async () => {
  const workId = await givePractice(school, classId, studentIds, {
    skillIds: ["equivalent-ratios", "ratio-language"],
    items: 14,
    dueDay: "2026-12-24",
  });
  for (const [order, id] of studentIds.entries()) {
    let view = await open(school, id, workId);
    for (let n = 0; n < 13 && view.finished === null; n++) {
      school.setNow(START + n * DAY * 0.4);
      if (n % 4 === 1 && (view.current?.hints ?? 0) > 0 && view.current)
        await giveHint(school.student(id), {
          sittingId: view.sittingId,
          presentationId: view.current.presentationId,
        });
      view = (await give(school, id, view, (n + order) % (order + 2) === 0 ? "right" : "wrong")).sitting;
    }
  }
  const running = await allSummaries(school.db.read);
  expect(running.states.some(({ snagDay }) => snagDay !== null)).toBe(true);
  expect(running.states.length).toBeGreaterThanOrEqual(3);
  agreesWithLog(running, await log());
  expect(await rebuildSummaries(school.runtime)).toEqual({ answers: (await log()).length, left: [] });
  expect(await allSummaries(school.db.read)).toEqual(running);
});
