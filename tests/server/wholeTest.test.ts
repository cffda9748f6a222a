import { eq } from "drizzle-orm";
import { afterEach, beforeEach, describe, expect, it } from "vitest";
import { NO_SUPPORTS } from "@/core/model/supports";
import { answersOfPerson, evidenceAfter, uncountedAnswersOf } from "@/db/queries/answerLog";
import { sittings, standingAnswers } from "@/db/schema/sittings";
import { supports } from "@/db/schema/students";
import { resultsView } from "@/features/delivery/reads/results";
import { studentHome } from "@/features/delivery/reads/studentHome";
import type { SittingView } from "@/features/delivery/types";
import { handIn } from "@/features/delivery/writes/handIn";
import { handInOverdue } from "@/features/delivery/writes/handInOverdue";
import { openSitting } from "@/features/delivery/writes/openSitting";
import { workList } from "@/features/work/reads/works";
import { workView } from "@/features/work/reads/workView";
import { grant } from "@/features/work/writes/grant";
import { releaseWork } from "@/features/work/writes/release";
import { undoChange } from "@/server/history/undoChange";
import { answersTo, give, givePractice, makeClass, START, type TestSchool, testSchool } from "../support/school";
import { summariesHold } from "../support/summariesHold";

let school: TestSchool;
let classId: string;
let studentIds: string[];
beforeEach(async () => {
  school = await testSchool();
  ({ classId, studentIds } = await makeClass(school, 3));
});
afterEach(() => school.close());

const MINUTE = 60_000;
const first = () => studentIds[0] as string;
const PICKED = [
  { itemId: "ratio-language/fraction-of-all", skillId: "ratio-language", seed: 4 },
  { itemId: "ratio-language/name-the-ratio", skillId: "ratio-language", seed: 11, points: 2 },
  { itemId: "unit-rates/for-one", skillId: "unit-rates", seed: 3 },
];
const giveTest = (settings: object = {}, over: Record<string, unknown> = {}) =>
  givePractice(school, classId, studentIds, {
    kind: "quiz",
    title: "Ratios test",
    skillIds: ["ratio-language", "unit-rates"],
    items: PICKED.length,
    picked: PICKED,
    settings: { goBack: true, ...settings },
    ...over,
  });
const enter = async (assignmentId: string, studentId = first()): Promise<SittingView> =>
  openSitting(school.student(studentId), assignmentId);
/** Answers an item of a test, named by its place. */
const answer = (view: SittingView, place: number, how: "right" | "wrong", over: object = {}, studentId = first()) =>
  give(school, studentId, view, how, {
    presentationId: view.whole?.items[place]?.presentationId,
    screen: { a: { typed: how } },
    ...over,
  });
const hand = (view: SittingView, studentId = first()) =>
  handIn(school.student(studentId), { sittingId: view.sittingId });
const stored = async () => (await school.db.read.select().from(sittings))[0];

describe("a test in which one goes back and forth", () => {
  it("hands out all items without their keys, and is worth nothing until it is handed in", async () => {
    const view = await enter(await giveTest());
    expect(view.whole?.items.map(({ stem }) => stem)).toHaveLength(3);
    expect(view).toMatchObject({ current: null, reserve: [], lessons: {}, hasResults: false });
    for (const { presentationId } of view.whole?.items ?? []) {
      const { item } = await answersTo(school, view, presentationId);
      expect(JSON.stringify(view)).not.toContain(item.solution);
    }
    const reply = await answer(view, 2, "right");
    expect(reply).toMatchObject({
      outcome: { status: "taken" },
      sitting: { itemsDone: 1, itemsRight: 0, finished: null },
    });
    expect(await evidenceAfter(school.db.read, 0, 10)).toEqual([]);
    expect(await answersOfPerson(school.db.read, first())).toEqual([]);
  });

  it("keeps the answer that was given last, with how it stood on the screen; the one before is kept aside", async () => {
    const id = await giveTest();
    const view = await enter(id);
    await answer(view, 0, "wrong");
    await answer(view, 0, "right", { flagged: true });
    const again = await enter(id);
    const [item] = again.whole?.items ?? [];
    expect(again.whole?.standing).toEqual({
      [item?.presentationId ?? ""]: { flagged: true, screen: { a: { typed: "right" } } },
    });
    expect(await uncountedAnswersOf(school.db.read, first())).toMatchObject([{ reason: "changed" }]);
    await hand(view);
    expect(await stored()).toMatchObject({ itemsRight: 1, finishReason: "handed-in" });
  });

  it("counts what was left blank as nothing, weighs by points, and gives evidence once", async () => {
    const id = await giveTest();
    const view = await enter(id);
    await answer(view, 1, "right");
    await answer(view, 2, "wrong");
    await hand(view);
    // Two of four points.
    expect(await stored()).toMatchObject({ mark: "1/2", itemsDone: 3, itemsRight: 1, progressPermille: 1000 });
    expect((await stored())?.state.missed).toContain("unit-rates");
    expect(await evidenceAfter(school.db.read, 0, 10)).toHaveLength(3);
    expect(await school.db.read.select().from(standingAnswers)).toEqual([]);
    await summariesHold(school);
    await hand(view);
    expect(await evidenceAfter(school.db.read, 0, 10)).toHaveLength(3);
    const late = await answer(view, 0, "right");
    expect(late.outcome).toMatchObject({ status: "not-counted", reason: "over" });
    expect((await studentHome(school.student(first()))).done).toMatchObject([{ finished: "handed-in" }]);
    const { rows } = await workView(await school.teacher(), id);
    expect(rows.find(({ studentId }) => studentId === first())).toMatchObject({ status: "handed-in", markPercent: 50 });
  });

  it("of two devices the answer given last stands, whichever arrives first; sent twice it is taken once", async () => {
    const view = await enter(await giveTest());
    school.setNow(START + 20 * MINUTE);
    const key = school.runtime.newId();
    await answer(view, 0, "right", { agoMilliseconds: 1 * MINUTE, key });
    // The other device was without a connection, and its answer is older.
    await answer(view, 0, "wrong", { agoMilliseconds: 10 * MINUTE, offline: true });
    await answer(view, 0, "right", { agoMilliseconds: 1 * MINUTE, key });
    await hand(view);
    expect(await stored()).toMatchObject({ itemsRight: 1 });
    expect(await uncountedAnswersOf(school.db.read, first())).toHaveLength(1);
  });

  it("an answer that can't be read is told so and leaves what stood before", async () => {
    const view = await enter(await giveTest());
    await answer(view, 2, "right");
    const bad = await answer(view, 2, "right", { response: { a: { text: "many" } } });
    expect(bad.outcome).toMatchObject({ status: "not-counted", reason: "unreadable" });
    await hand(view);
    expect(await stored()).toMatchObject({ itemsRight: 1 });
  });

  it("an order of their own for each student, the same after coming back", async () => {
    const id = await giveTest({ shuffle: true });
    const orders = [];
    for (const student of studentIds) {
      const stems = async () => (await enter(id, student)).whole?.items.map(({ stem }) => stem);
      orders.push(await stems());
      expect(await stems()).toEqual(orders.at(-1));
    }
    expect(new Set(orders.map((order) => [...(order ?? [])].sort().join("|"))).size).toBe(1);
    expect(new Set(orders.map((order) => order?.join("|"))).size).toBeGreaterThan(1);
  });
});

describe("a test without going back", () => {
  it("shows one item after the other, and is over with the last", async () => {
    const view = await enter(await giveTest({ goBack: false }));
    expect(view.whole).toBeNull();
    let now = view as Pick<SittingView, "current" | "sittingId" | "finished"> & SittingView;
    for (let n = 0; n < 3; n++)
      now = { ...now, ...(await give(school, first(), now, n === 1 ? "wrong" : "right")).sitting };
    expect(now.finished).toBe("amount");
    expect(await stored()).toMatchObject({ mark: "1/2" });
    expect((await stored())?.state.missed).toBeDefined();
    await summariesHold(school);
  });
});

describe("time", () => {
  it("is what was set, longer for those who need longer, and ends by itself with what stands", async () => {
    await school.db.write((tx) =>
      tx.insert(supports).values({ id: "s1", personId: studentIds[1] as string, ...NO_SUPPORTS, timeFactor: 1.5 }),
    );
    const id = await giveTest({ minutes: 20 });
    const [mine, theirs] = [await enter(id), await enter(id, studentIds[1])];
    expect([mine.endsAt, theirs.endsAt]).toEqual([START + 20 * MINUTE, START + 30 * MINUTE]);
    await answer(mine, 0, "right");
    school.setNow(START + 21 * MINUTE);
    expect(await handInOverdue(school.runtime)).toBe(1);
    expect(await stored()).toMatchObject({ finishReason: "time-up", itemsRight: 1, mark: "1/4" });
    expect(await handInOverdue(school.runtime)).toBe(0);
    // A teacher gives the other one five minutes more.
    const { changeId } = await grant(await school.teacher(), {
      assignmentId: id,
      studentIds: [studentIds[1]],
      minutes: 5,
    });
    expect((await enter(id, studentIds[1])).endsAt).toBe(START + 35 * MINUTE);
    await undoChange(await school.teacher(), changeId);
  });

  it("what waited on a device while the time ran out counts when it comes", async () => {
    const view = await enter(await giveTest({ minutes: 20 }));
    school.setNow(START + 40 * MINUTE);
    await handInOverdue(school.runtime);
    const late = await answer(view, 2, "right", { offline: true, agoMilliseconds: 25 * MINUTE });
    expect(late.outcome).toMatchObject({ status: "taken" });
    expect(await stored()).toMatchObject({ itemsRight: 1, finishReason: "time-up" });
    const after = await answer(view, 1, "right", { offline: true, agoMilliseconds: 5 * MINUTE });
    expect(after.outcome).toMatchObject({ status: "not-counted" });
    await summariesHold(school);
  });

  it("late work is taken until it closes, and marked; a student may have a day of their own", async () => {
    const closes = { day: "2026-11-30", time: "20:00" };
    const id = await giveTest({}, { dueDay: "2026-11-24", closes });
    school.setNow(Date.parse("2026-11-25T09:00:00Z"));
    expect((await studentHome(school.student(first()))).now).toMatchObject([{ late: true, overdue: false }]);
    await grant(await school.teacher(), { assignmentId: id, studentIds: [first()], dueDay: "2026-12-02" });
    expect((await studentHome(school.student(first()))).now).toMatchObject([{ late: false }]);
    school.setNow(Date.parse("2026-12-01T09:00:00Z"));
    expect((await enter(id)).whole).not.toBeNull();
    await expect(enter(id, studentIds[1])).rejects.toMatchObject({ code: "closed" });
    await grant(await school.teacher(), { assignmentId: id, studentIds: [studentIds[1]], reopenDay: "2026-12-01" });
    expect((await enter(id, studentIds[1])).whole).not.toBeNull();
  });
});

describe("results", () => {
  it("are seen as far as they are released: the score alone, then answers, then explanations", async () => {
    const id = await giveTest();
    const view = await enter(id);
    await answer(view, 0, "right");
    await answer(view, 1, "wrong");
    await hand(view);
    const results = () => resultsView(school.student(first()), id, null);
    expect(await results()).toMatchObject({ released: false, score: null, items: null });
    const teacher = await school.teacher();
    expect(await workList(teacher, [classId])).toMatchObject([{ toShow: 1, finished: 1 }]);
    const { changeId } = await releaseWork(teacher, { assignmentId: id, what: ["score"] });
    expect(await workList(teacher, [classId])).toMatchObject([{ toShow: 0 }]);
    expect(await results()).toMatchObject({ score: { percent: 25, earned: "1", most: 4 }, items: null, toWorkOn: [] });
    expect((await studentHome(school.student(first()))).done).toMatchObject([{ hasResults: true }]);
    await releaseWork(teacher, { assignmentId: id, what: ["answers"] });
    const seen = await results();
    expect(seen.items?.map(({ verdict, solution }) => [verdict, solution])).toEqual([
      ["right", null],
      ["wrong", null],
      ["blank", null],
    ]);
    expect(seen.toWorkOn.map(({ skillId }) => skillId)).toContain("unit-rates");
    await releaseWork(teacher, { assignmentId: id, what: ["explanations"] });
    expect((await results()).items?.[1]?.solution).toEqual(expect.any(String));
    expect((await releaseWork(teacher, { assignmentId: id, what: ["score"] })).changeId).toBeNull();
    await undoChange(teacher, changeId ?? "");
    // What others may see is nobody else's to see.
    expect(await resultsView(school.student(studentIds[1] as string), id, null)).toMatchObject({ released: false });
  });

  it("come by themselves when the student is done, or when the work closes, where that was set", async () => {
    const id = await giveTest({}, { rules: { release: { score: "done", answers: "closed" } } });
    const view = await enter(id);
    expect(view.hasResults).toBe(false);
    await hand(view);
    expect(await resultsView(school.student(first()), id, null)).toMatchObject({ score: { percent: 0 }, items: null });
    school.setNow(Date.parse("2026-11-28T09:00:00Z"));
    expect((await resultsView(school.student(first()), id, null)).items).toHaveLength(3);
  });
});

it("a run kept under way moves on with its version, so that what another process wrote is seen", async () => {
  const id = await giveTest();
  const view = await enter(id);
  await answer(view, 0, "right");
  await school.db.write((tx) => tx.update(sittings).set({ version: 99 }).where(eq(sittings.id, view.sittingId)));
  await answer(view, 1, "right");
  expect(await stored()).toMatchObject({ version: 100, itemsDone: 2 });
});
