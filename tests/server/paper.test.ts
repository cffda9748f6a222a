import { afterEach, beforeEach, describe, expect, it } from "vitest";
import { evidenceAfter } from "@/db/queries/answerLog";
import { studentHome } from "@/features/delivery/reads/studentHome";
import { openSitting } from "@/features/delivery/writes/openSitting";
import { submitAnswer } from "@/features/delivery/writes/submitAnswer";
import { cellView } from "@/features/evidence/reads/evidence";
import { worksheetOfWork } from "@/features/library/reads/worksheetOfWork";
import { paperGrid } from "@/features/scoring/reads/paperGrid";
import { enterPaper } from "@/features/scoring/writes/enterPaper";
import { workView } from "@/features/work/reads/workView";
import { givePractice, makeClass, type TestSchool, testSchool } from "../support/school";
import { summariesHold } from "../support/summariesHold";

let school: TestSchool;
let classId: string;
let studentIds: string[];
let id: string;
beforeEach(async () => {
  school = await testSchool();
  ({ classId, studentIds } = await makeClass(school, 3));
  id = await givePractice(school, classId, studentIds, {
    kind: "paper",
    title: "Ratios on paper",
    skillIds: ["ratio-language", "unit-rates"],
    items: 3,
    picked: [
      { itemId: "ratio-language/fraction-of-all", skillId: "ratio-language", seed: 4 },
      { itemId: "ratio-language/name-the-ratio", skillId: "ratio-language", seed: 11, points: 2 },
      { itemId: "unit-rates/for-one", skillId: "unit-rates", seed: 3 },
    ],
  });
});
afterEach(() => school.close());

const student = (place: number) => studentIds[place] as string;
const enter = async (entries: readonly (readonly [number, number, number | null])[], absent: object[] = []) =>
  enterPaper(await school.teacher(), {
    assignmentId: id,
    entries: entries.map(([of, place, points]) => ({ studentId: student(of), place, points })),
    absent,
  });
const rowOf = async (of: number) =>
  (await paperGrid(await school.teacher(), id)).rows.find(({ studentId }) => studentId === student(of));
const log = () => evidenceAfter(school.db.read, 0, 1000);

describe("a test on paper", () => {
  it("is on the student's page without a way to begin, and is printed as it was drawn with a code for each", async () => {
    expect((await studentHome(school.student(student(0)))).now).toMatchObject([{ onPaper: true }]);
    await expect(openSitting(school.student(student(0)), id)).rejects.toThrow(/done on paper/);
    const sheet = await worksheetOfWork(await school.teacher(), id);
    expect(sheet.sheets.map(({ key }) => key).sort()).toEqual([...studentIds].sort());
    const { forms } = await paperGrid(await school.teacher(), id);
    expect(sheet.forms[0]?.items.map(({ stem }) => stem)).toHaveLength(3);
    expect(forms[0]?.items.map(({ points }) => points)).toEqual([1, 2, 1]);
  });

  it("takes points as far as they were read, and has a mark once all of them are there", async () => {
    await enter([
      [0, 0, 1],
      [0, 1, 1.5],
    ]);
    expect(await rowOf(0)).toMatchObject({ points: [1, 1.5, null], markPercent: null });
    expect(
      (await workView(await school.teacher(), id)).rows.find(({ studentId }) => studentId === student(0)),
    ).toMatchObject({
      status: "working",
      itemsDone: 2,
      markPercent: null,
    });
    await summariesHold(school);
    // Half read, it is on paper still: nothing of it opens on a screen, and nothing is taken from one.
    await expect(openSitting(school.student(student(0)), id)).rejects.toThrow(/done on paper/);
    const open = (await school.db.read.query.sittingItems.findMany()).find(({ state }) => state === "open");
    const sent = { presentationId: open?.id, response: { a: { text: "1" } } };
    await expect(
      submitAnswer(school.student(student(0)), {
        key: school.runtime.newId(),
        sittingId: open?.sittingId,
        tryNumber: 1,
        offline: false,
        ...sent,
      }),
    ).rejects.toThrow(/done on paper/);
    await enter([[0, 2, 0]]);
    // 2.5 of 4 points.
    expect(await rowOf(0)).toMatchObject({ points: [1, 1.5, 0], markPercent: 62 });
    const row = (await workView(await school.teacher(), id)).rows.find(({ studentId }) => studentId === student(0));
    expect(row).toMatchObject({ status: "handed-in", markPercent: 62 });
    expect((await log()).map(({ earned, possible, by }) => [earned / possible, by])).toEqual([
      [1, "person"],
      [0.75, "person"],
      [0, "person"],
    ]);
    await summariesHold(school);
  });

  it("can be corrected and emptied again: the latest counts, what was entered before stays in the log", async () => {
    await enter([
      [0, 0, 0],
      [0, 1, 2],
      [0, 2, 1],
    ]);
    expect(await rowOf(0)).toMatchObject({ markPercent: 75 });
    await enter([[0, 0, 1]]);
    expect(await rowOf(0)).toMatchObject({ points: [1, 2, 1], markPercent: 100 });
    expect((await log()).map(({ earned }) => earned > 0)).toEqual([true, true, true]);
    await summariesHold(school);
    await enter([[0, 1, null]]);
    expect(await rowOf(0)).toMatchObject({ points: [1, null, 1], markPercent: null });
    expect(await log()).toHaveLength(2);
    // In the mastery map what was emptied is no miss and no answer that waits for somebody.
    const cell = await cellView(await school.teacher(), student(0), "ratio-language");
    expect(cell.answers.map(({ right }) => right)).toEqual([true]);
    await summariesHold(school);
    await enter([[0, 1, 1]]);
    expect(await rowOf(0)).toMatchObject({ points: [1, 1, 1], markPercent: 75 });
    await summariesHold(school);
  });

  it("knows who was absent, and lets them come later", async () => {
    await enter([[0, 0, 1]], [{ studentId: student(2), absent: true }]);
    expect(await rowOf(2)).toMatchObject({ absent: true, points: [null, null, null] });
    await enter([[2, 0, 1]], [{ studentId: student(2), absent: false }]);
    expect(await rowOf(2)).toMatchObject({ absent: false, points: [1, null, null] });
  });

  it("refuses points that an item does not have, and somebody who was not given it; nothing of the message is kept then", async () => {
    await expect(
      enter([
        [0, 0, 1],
        [0, 1, 3],
      ]),
    ).rejects.toThrow(/has 2 points/);
    await expect(enter([[0, 0, 0.3]])).rejects.toThrow(/halves/);
    await expect(enter([[0, 7, 1]])).rejects.toThrow(/no such item/);
    await expect(
      enterPaper(await school.teacher(), { assignmentId: id, entries: [{ studentId: "nobody", place: 0, points: 1 }] }),
    ).rejects.toThrow(/not given this work/);
    expect(await log()).toEqual([]);
    const onScreen = await givePractice(school, classId, studentIds);
    await expect(paperGrid(await school.teacher(), onScreen)).rejects.toThrow(/Nothing of this work is done on paper/);
  });
});
