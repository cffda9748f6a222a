import { sql } from "drizzle-orm";
import { afterEach, beforeEach, describe, expect, it } from "vitest";
import { countFurther } from "@/db/queries/itemCounts";
import { assignmentsOfClasses } from "@/db/queries/work";
import { answers, scores, sittings } from "@/db/schema/sittings";
import { skillStates } from "@/db/schema/summaries";
import { assignments, assignmentTargets, parts, works } from "@/db/schema/work";
import { resultsView } from "@/features/delivery/reads/results";
import type { SittingView } from "@/features/delivery/types";
import { handIn } from "@/features/delivery/writes/handIn";
import { openWork } from "@/features/delivery/writes/openSitting";
import { submitAnswer } from "@/features/delivery/writes/submitAnswer";
import { workFigure } from "@/features/work/figure";
import { workList } from "@/features/work/reads/works";
import { workView } from "@/features/work/reads/workView";
import { giveWork } from "@/features/work/writes/giveWork";
import { beginTrial, endTrial, tryGiven } from "@/features/work/writes/trial";
import type { Context } from "@/server/runtime/context";
import { answersTo, give, givePractice, makeClass, open, START, type TestSchool, testSchool } from "../support/school";

let school: TestSchool;
let classId: string;
let studentIds: string[];
let ana: Context;
beforeEach(async () => {
  school = await testSchool();
  ({ classId, studentIds } = await makeClass(school, 2));
  ana = await school.teacher();
});
afterEach(() => school.close());

const id = () => school.runtime.newId();
const items = [
  { itemId: "ratio-language/fraction-of-all", skillId: "ratio-language", seed: 4 },
  { itemId: "unit-rates/for-one", skillId: "unit-rates", seed: 3 },
];
const skillIds = ["ratio-language", "unit-rates"];
/** A test with practice on what was missed, which a student would have to wait for. */
function testWithFollowUp() {
  const [first, follow] = [id(), id()];
  return {
    classId,
    title: "Ratios",
    parts: [
      { id: first, kind: "quiz", skillIds, settings: { items: 2, goBack: true }, items },
      {
        id: follow,
        kind: "practice",
        title: "Work on what was missed",
        skillIds: [],
        settings: { items: 12, missedIn: { partId: first, alsoAtCut: false } },
        opening: [{ by: "below", partId: first, percent: 80 }, { by: "word" }],
      },
    ],
  };
}
async function enter(trialId: string, partId: string | null = null, who = ana) {
  const found = await openWork(who, trialId, partId);
  return found.as === "run" ? found.view : null;
}
async function answer(view: SittingView, presentationId: string, how: "right" | "wrong", who = ana) {
  return submitAnswer(who, {
    key: id(),
    sittingId: view.sittingId,
    presentationId,
    tryNumber: 1,
    response: (await answersTo(school, view, presentationId))[how],
    hintsUsed: 0,
    milliseconds: 9_000,
    agoMilliseconds: 0,
    deviceClock: START,
    offline: false,
    screen: {},
  });
}
/** Rows of everything that a trial could leave. */
const traces = async () =>
  Promise.all(
    [works, parts, assignments, assignmentTargets, sittings, answers, scores, skillStates].map(async (table) => {
      const [row] = await school.db.read.select({ n: sql<number>`count(*)` }).from(table);
      return row?.n ?? 0;
    }),
  );

describe("a trial run", () => {
  it("is taken as a student takes it, with its results at once and what follows, and leaves nothing", async () => {
    const before = await traces();
    const { trialId } = await beginTrial(ana, testWithFollowUp());
    const listed = await openWork(ana, trialId, null);
    const list = listed.as === "parts" ? listed.view.parts : [];
    expect(list.map(({ state }) => state)).toEqual(["open", "locked"]);
    const view = (await enter(trialId, list[0]?.partId ?? "")) as SittingView;
    for (const [place, { presentationId }] of (view.whole?.items ?? []).entries())
      await answer(view, presentationId, place === 0 ? "right" : "wrong");
    await handIn(ana, { sittingId: view.sittingId });
    const results = await resultsView(ana, trialId, list[0]?.partId ?? "");
    expect(results).toMatchObject({ released: true, score: { percent: 50 } });
    expect(results.items?.map(({ verdict }) => verdict)).toEqual(["right", "wrong"]);
    // The teacher's word is not waited for; the rule by the mark holds.
    const follow = (await enter(trialId, list[1]?.partId ?? "")) as SittingView;
    expect(follow).toMatchObject({ kind: "practice", finished: null });
    await answer(follow, follow.current?.presentationId ?? "", "wrong");
    expect(await traces()).not.toEqual(before);
    await endTrial(ana);
    expect(await traces()).toEqual(before);
  });

  it("does not stand in the way of giving the very same afterwards", async () => {
    const { classId: to, ...tried } = testWithFollowUp();
    await beginTrial(ana, { classId: to, ...tried });
    const assignmentId = id();
    await giveWork(ana, {
      ...tried,
      workId: id(),
      to: [{ assignmentId, classId, studentIds }],
      opens: { day: "2026-11-23", time: "06:00" },
      due: { day: "2026-11-27", time: "20:00" },
    });
    await beginTrial(ana, { classId: to, ...tried });
    await endTrial(ana);
    expect((await workView(ana, assignmentId)).parts.map(({ id: partId }) => partId)).toEqual(
      tried.parts.map((part) => part.id),
    );
  });

  it("starts over from nothing, one at a time", async () => {
    const { trialId } = await beginTrial(ana, testWithFollowUp());
    const started = await traces();
    const listed = await openWork(ana, trialId, null);
    await enter(trialId, listed.as === "parts" ? (listed.view.parts[0]?.partId ?? "") : "");
    const again = await tryGiven(ana, { assignmentId: trialId });
    expect(again.trialId).not.toBe(trialId);
    expect(await traces()).toEqual(started);
    await expect(openWork(ana, trialId, null)).rejects.toMatchObject({ code: "not-allowed" });
    const next = await openWork(ana, again.trialId, null);
    expect(next.as === "parts" ? next.view.parts.map(({ state }) => state) : []).toEqual(["open", "locked"]);
  });

  it("of work that was given stands apart from what students do with it", async () => {
    const workId = await givePractice(school, classId, studentIds, {
      kind: "quiz",
      skillIds,
      items: 2,
      picked: items,
      settings: { goBack: true },
    });
    const { trialId } = await tryGiven(ana, { assignmentId: workId });
    const view = (await enter(trialId)) as SittingView;
    await answer(view, view.whole?.items[0]?.presentationId ?? "", "right");
    await handIn(ana, { sittingId: view.sittingId });
    expect((await workView(ana, workId)).rows.map(({ status }) => status)).toEqual(["not-started", "not-started"]);
    expect(await workList(ana, [classId])).toHaveLength(1);
    expect(await assignmentsOfClasses(school.db.read, [classId])).toHaveLength(1);
    expect(await workFigure(ana, [classId])).toMatchObject({ text: "2 not started" });
  });

  it("says nothing of how often items are answered", async () => {
    const workId = await givePractice(school, classId, studentIds);
    const view = await open(school, studentIds[0] ?? "", workId);
    await give(school, studentIds[0] ?? "", view, "right");
    const { trialId } = await tryGiven(ana, { assignmentId: workId });
    const trial = (await enter(trialId)) as SittingView;
    await answer(trial, trial.current?.presentationId ?? "", "right");
    await school.db.write(countFurther);
    const [row] = await school.db.read.all<{ n: number }>(sql`select sum(answered) as n from item_counts`);
    expect(row?.n).toBe(1);
  });

  it("is its maker's alone, and one that was left is forgotten by the next after a day", async () => {
    const { trialId } = await beginTrial(ana, testWithFollowUp());
    const cora = await school.teacher("cora");
    await expect(openWork(cora, trialId, null)).rejects.toMatchObject({ code: "not-found" });
    await expect(openWork(school.student(studentIds[0] ?? ""), trialId, null)).rejects.toMatchObject({
      code: "not-found",
    });
    await expect(tryGiven(cora, { assignmentId: trialId })).rejects.toMatchObject({ code: "not-found" });
    await expect(endTrial(school.student(studentIds[0] ?? ""))).rejects.toMatchObject({ code: "not-allowed" });
    school.setNow(START + 25 * 3_600_000);
    await beginTrial(cora, testWithFollowUp());
    await expect(openWork(ana, trialId, null)).rejects.toMatchObject({ code: "not-allowed" });
  });
});
