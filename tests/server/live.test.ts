import { afterEach, beforeEach, describe, expect, it } from "vitest";
import { assignmentById } from "@/db/queries/work";
import { signsView } from "@/features/delivery/reads/signs";
import { studentHome } from "@/features/delivery/reads/studentHome";
import type { SittingView } from "@/features/delivery/types";
import { handInOverdue } from "@/features/delivery/writes/handInOverdue";
import { openSitting } from "@/features/delivery/writes/openSitting";
import { readLine } from "@/features/delivery/writes/readLine";
import { liveBoard } from "@/features/work/reads/liveBoard";
import { grant } from "@/features/work/writes/grant";
import { sendLines } from "@/features/work/writes/lines";
import { endNow, pauseWork, resumeWork } from "@/features/work/writes/live";
import { undoChange } from "@/server/history/undoChange";
import { give, givePractice, makeClass, START, type TestSchool, testSchool } from "../support/school";

let school: TestSchool;
let classId: string;
let studentIds: string[];
beforeEach(async () => {
  school = await testSchool();
  ({ classId, studentIds } = await makeClass(school, 4));
});
afterEach(() => school.close());

const MINUTE = 60_000;
const student = (place: number) => studentIds[place] as string;
const enter = (assignmentId: string, place: number): Promise<SittingView> =>
  openSitting(school.student(student(place)), assignmentId);
const board = async (assignmentId: string) => liveBoard(await school.teacher(), assignmentId);
const stateOf = async (assignmentId: string, place: number) =>
  (await board(assignmentId)).rows.find(({ id }) => id === student(place))?.state;

describe("the live board", () => {
  it("says where each one is: not begun, at work, held up by misses or by quiet, away, through", async () => {
    const id = await givePractice(school, classId, studentIds, { kind: "amount", items: 6 });
    expect((await board(id)).rows.map(({ state }) => state)).toEqual(Array(4).fill("not-started"));
    let view = await enter(id, 0);
    for (let n = 0; n < 5; n++) {
      view = { ...view, ...(await give(school, student(0), view, "wrong")).sitting };
      view = { ...view, ...(await give(school, student(0), view, "right")).sitting };
    }
    let other = await enter(id, 1);
    other = { ...other, ...(await give(school, student(1), other, "right")).sitting };
    await give(school, student(1), other, "wrong");
    expect(await stateOf(id, 0)).toBe("wrong-in-row");
    expect((await board(id)).rows.find(({ id: of }) => of === student(1))).toMatchObject({
      state: "working",
      items: ["right", "wrong"],
      itemsDone: 1,
      mostItems: 6,
    });
    school.setNow(START + 4 * MINUTE);
    expect(await stateOf(id, 1)).toBe("quiet");
    school.setNow(START + 20 * MINUTE);
    expect(await stateOf(id, 1)).toBe("away");
    while (view.finished === null) view = { ...view, ...(await give(school, student(0), view, "right")).sitting };
    expect((await board(id)).rows.find(({ id: of }) => of === student(0))).toMatchObject({
      state: "finished",
      finishedAt: "08:50",
    });
  });

  it("tells of a test that is not handed in only what was answered", async () => {
    const id = await givePractice(school, classId, studentIds, {
      kind: "quiz",
      items: 2,
      skillIds: ["ratio-language"],
      settings: { goBack: true },
      picked: [
        { itemId: "ratio-language/fraction-of-all", skillId: "ratio-language", seed: 4 },
        { itemId: "ratio-language/name-the-ratio", skillId: "ratio-language", seed: 11 },
      ],
    });
    const view = await enter(id, 0);
    await give(school, student(0), view, "wrong", { presentationId: view.whole?.items[0]?.presentationId });
    const row = (await board(id)).rows.find(({ id: of }) => of === student(0));
    expect(row).toMatchObject({ state: "working", itemsDone: 1 });
    expect(row?.items).not.toContain("wrong");
  });

  it("pauses for everybody: no test is handed in, and whose time ran gets it back; answers under way count", async () => {
    const id = await givePractice(school, classId, studentIds, {
      kind: "quiz",
      items: 2,
      skillIds: ["ratio-language"],
      settings: { goBack: true, minutes: 10 },
      picked: [
        { itemId: "ratio-language/fraction-of-all", skillId: "ratio-language", seed: 4 },
        { itemId: "ratio-language/name-the-ratio", skillId: "ratio-language", seed: 11 },
      ],
    });
    const view = await enter(id, 0);
    const teacher = await school.teacher();
    school.setNow(START + 6 * MINUTE);
    await pauseWork(teacher, { assignmentId: id });
    await expect(pauseWork(teacher, { assignmentId: id })).rejects.toThrow(/paused already/);
    expect(await signsView(school.student(student(0)), view.sittingId)).toMatchObject({ paused: true });
    const kept = await give(school, student(0), view, "right", {
      presentationId: view.whole?.items[0]?.presentationId,
    });
    expect(kept.outcome.status).toBe("taken");
    school.setNow(START + 15 * MINUTE);
    expect(await handInOverdue(school.runtime)).toBe(0);
    const { changeId } = await resumeWork(teacher, { assignmentId: id });
    const after = await signsView(school.student(student(0)), view.sittingId);
    expect(after).toMatchObject({ paused: false, endsAt: START + 19 * MINUTE });
    expect(await handInOverdue(school.runtime)).toBe(0);
    await undoChange(teacher, changeId);
    expect((await assignmentById(school.db.read, id))?.pausedAt).toBe(START + 6 * MINUTE);
  });

  it("ends for everybody at once: what stands is handed in, and five more minutes hold it off", async () => {
    const id = await givePractice(school, classId, studentIds, { kind: "diagnostic", ...(await diagnostic()) });
    const view = await enter(id, 0);
    await give(school, student(0), view, "right");
    const teacher = await school.teacher();
    await endNow(teacher, { assignmentId: id });
    school.setNow(START + MINUTE);
    expect(await handInOverdue(school.runtime)).toBe(1);
    expect(await signsView(school.student(student(0)), view.sittingId)).toMatchObject({ finished: "time-up" });
    await expect(enter(id, 1)).rejects.toThrow(/time for this work is over/);
    await expect(grant(teacher, { assignmentId: id, studentIds: ["nobody"], minutes: 5 })).rejects.toThrow();
  });
});

async function diagnostic() {
  const strandIds = ["mathematics/Ratios and proportional reasoning"];
  return {
    skillIds: ["ratio-language", "unit-rates"],
    items: 20,
    settings: { scope: { strandIds, above: 1, below: 4 } },
  };
}

describe("lines from the teacher", () => {
  it("stand on the student's page until they are read, a reminder until the work is done; undone, they are gone", async () => {
    const id = await givePractice(school, classId, studentIds, { kind: "amount", items: 1 });
    const teacher = await school.teacher();
    const send = (kind: string, text: string) =>
      sendLines(teacher, { assignmentId: id, studentIds: [student(0)], kind, text });
    await send("praise", "Well done.");
    await send("reminder", "Still waiting.");
    const { changeId } = await send("word", "Look again.");
    const lines = async () => (await studentHome(school.student(student(0)))).lines;
    expect((await lines()).map(({ text }) => text).sort()).toEqual(["Look again.", "Still waiting.", "Well done."]);
    expect((await studentHome(school.student(student(1)))).lines).toEqual([]);
    await undoChange(teacher, changeId);
    let view = await enter(id, 0);
    expect((await signsView(school.student(student(0)), view.sittingId)).lines).toHaveLength(2);
    while (view.finished === null) view = { ...view, ...(await give(school, student(0), view, "right")).sitting };
    const [praise] = await lines();
    expect(await lines()).toMatchObject([{ kind: "praise", from: "Ana Tester" }]);
    // Nobody reads for somebody else.
    await readLine(school.student(student(1)), { lineId: praise?.id });
    expect(await lines()).toHaveLength(1);
    await readLine(school.student(student(0)), { lineId: praise?.id });
    expect(await lines()).toEqual([]);
  });

  it("go to nobody who was not given the work, and are never empty or long", async () => {
    const id = await givePractice(school, classId, [student(0)]);
    const teacher = await school.teacher();
    const send = (over: object) =>
      sendLines(teacher, { assignmentId: id, studentIds: [student(0)], kind: "word", text: "Look.", ...over });
    await expect(send({ studentIds: [student(1)] })).rejects.toThrow(/not given this work/);
    await expect(send({ text: "  " })).rejects.toThrow(/Write what/);
    await expect(send({ text: "x".repeat(201) })).rejects.toThrow(/at most 200/);
  });
});
