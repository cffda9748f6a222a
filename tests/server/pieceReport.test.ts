import { afterEach, beforeEach, describe, expect, it } from "vitest";
import { rational } from "@/core/numeric/rational";
import type { PieceView } from "@/features/evidence/pieceTypes";
import { studentSheet } from "@/features/evidence/reads/evidence";
import { pieceList } from "@/features/evidence/reads/piece/pieceList";
import { pieceReport } from "@/features/evidence/reads/piece/pieceView";
import { talkView } from "@/features/evidence/reads/talk";
import { noteTalk } from "@/features/evidence/writes/noteTalk";
import { grant } from "@/features/work/writes/grant";
import { undoChange } from "@/server/history/undoChange";
import { type ReportClass, reportClass } from "../support/reportClass";

let own: ReportClass;
let workId: string;
/** Answers of students 0 to 4, item by item; student 5 has not begun. */
const ANSWERS = ["rrrr", "rrrx", "rdxx", "rdrd", "ddxx"];

beforeEach(async () => {
  own = await reportClass();
  workId = await own.test();
  for (const [who, answers] of ANSWERS.entries()) await own.sit(workId, who, answers, 20 + 10 * who);
});
afterEach(() => own.school.close());

const report = async (search = {}, over = {}): Promise<PieceView> =>
  pieceReport(await own.school.teacher(), workId, { frame: await own.frame(search), ...over });
/** Wilson's interval by its textbook formula, at 1.96. */
function wilson(k: number, n: number): [number, number] {
  const z = 1.959963984540054;
  const p = k / n;
  const centre = (p + (z * z) / (2 * n)) / (1 + (z * z) / n);
  const half = (z / (1 + (z * z) / n)) * Math.sqrt((p * (1 - p)) / n + (z * z) / (4 * n * n));
  return [centre - half, centre + half];
}

describe("one piece of work", () => {
  it("has each student's mark, counted by hand, with time and what was missed; who has nothing handed in stands apart", async () => {
    const { students } = await report();
    const byHand = ANSWERS.map((answers) => [...answers].filter((one) => one === "r").length);
    expect(byHand).toEqual([4, 3, 1, 2, 0]);
    for (const [who, right] of byHand.entries()) {
      const row = students.find(({ id }) => id === own.students[who]);
      expect(rational(row?.mark ?? -1).equals(rational(right, 4))).toBe(true);
      expect(row).toMatchObject({ right, answered: 4, late: false, state: "amount", secondsAnItem: 20 + 10 * who });
      expect(row?.minutes).toBe(Math.round((4 * (20 + 10 * who)) / 60));
    }
    expect(students.find(({ id }) => id === own.students[5])).toMatchObject({
      mark: null,
      state: "not-started",
      answered: 0,
      missed: [],
    });
    // None right in a skill is missed, whatever the chance of mastery says.
    const missed = (who: number) => students.find(({ id }) => id === own.students[who])?.missed.map(({ id }) => id);
    expect(missed(4)?.sort()).toEqual(["ratio-language", "unit-rates"]);
    expect(missed(2)).toContain("unit-rates");
  });

  it("has each item's share with its interval, the wrong answers with their mistakes, and who gave them", async () => {
    const { items, sameItems } = await report();
    expect(sameItems).toBe(true);
    expect(items.map(({ right }) => [Math.round((right.share ?? 0) * 5), right.n])).toEqual([
      [4, 5],
      [2, 5],
      [3, 5],
      [1, 5],
    ]);
    const [low, high] = wilson(2, 5);
    expect(items[1]?.right.low).toBeCloseTo(low, 9);
    expect(items[1]?.right.high).toBeCloseTo(high, 9);
    expect(items[1]?.wrong).toEqual([
      {
        text: "difference",
        misconceptionId: "turned-the-ratio-round",
        misconception: expect.stringContaining("round"),
        studentIds: [2, 3, 4].map((who) => own.students[who]),
      },
    ]);
    expect(items[3]?.wrong.map(({ text, studentIds }) => [text, studentIds.length])).toEqual([
      ["something", 3],
      ["difference", 1],
    ]);
    expect(items[3]?.missedIds).toEqual([1, 2, 3, 4].map((who) => own.students[who]));
    // 20, 30, 40, 50 and 60 seconds.
    expect(items[0]?.medianSeconds).toBe(40);
  });

  it("has what was right by standard, over all answers, and who had nothing right", async () => {
    const { standards } = await report();
    const counted = standards.map(({ right, items, noneRight }) => ({
      k: Math.round((right.share ?? 0) * right.n),
      n: right.n,
      items,
      none: noneRight.length,
    }));
    // Ratio language: 2 2 1 1 0 of two items each; unit rates: 2 1 0 1 0.
    expect(counted).toEqual([
      { k: 6, n: 10, items: 2, none: 1 },
      { k: 4, n: 10, items: 2, none: 2 },
    ]);
  });

  it("opens the next lesson with what most missed, no mistake twice", async () => {
    const { openers, items } = await report();
    const places = openers.map((key) => items.find((item) => item.key === key)?.place);
    // Missed by 4, 3, 2 and 1 of five; each is worth its misses times its correlation with the rest, worked out apart.
    const score = (answers: string, item: number): number => ([...answers][item] === "r" ? 1 : 0);
    const worth = [0, 1, 2, 3].map((item) => {
      const x = ANSWERS.map((answers) => score(answers, item));
      const y = ANSWERS.map((answers) =>
        [0, 1, 2, 3].filter((one) => one !== item).reduce((sum, one) => sum + score(answers, one), 0),
      );
      const mean = (values: readonly number[]) => values.reduce((sum, one) => sum + one, 0) / values.length;
      const [mx, my] = [mean(x), mean(y)];
      const r =
        x.reduce((sum, one, n) => sum + (one - mx) * ((y[n] ?? 0) - my), 0) /
        Math.sqrt(x.reduce((sum, one) => sum + (one - mx) ** 2, 0) * y.reduce((sum, one) => sum + (one - my) ** 2, 0));
      return { place: item + 1, worth: (5 - x.reduce((sum, one) => sum + one, 0)) * Math.max(0.05, r) };
    });
    const byHand = worth.sort((x, y) => y.worth - x.worth).map(({ place }) => place);
    expect(places).toEqual(byHand.slice(0, 3));
  });

  it("draws the line at the work's cut, and says how far the test can be relied on, with how few", async () => {
    const { line, cutPercent, reliability } = await report();
    expect([line, cutPercent]).toEqual([70, 70]);
    // Alpha by its formula: 4/3 (1 - sum of the items' variances / variance of the sums).
    const scores = ANSWERS.map((answers) => [...answers].map((one) => (one === "r" ? 1 : 0)));
    const variance = (values: readonly number[]) => {
      const mean = values.reduce((sum, one) => sum + one, 0) / values.length;
      return values.reduce((sum, one) => sum + (one - mean) ** 2, 0) / (values.length - 1);
    };
    const items = [0, 1, 2, 3].map((item) => variance(scores.map((row) => row[item] ?? 0)));
    const sums = variance(scores.map((row) => row.reduce<number>((sum, one) => sum + one, 0)));
    const alpha = (4 / 3) * (1 - items.reduce((sum, one) => sum + one, 0) / sums);
    expect(reliability?.alpha).toBeCloseTo(alpha, 9);
    expect(reliability).toMatchObject({ complete: 5, few: true });
    expect(reliability?.sem).toBeCloseTo((100 * Math.sqrt(sums) * Math.sqrt(1 - alpha)) / 4, 6);
  });

  it("narrows to some students and one skill, and says whom that hides; the marks stay whole", async () => {
    const some = own.students.slice(2, 4).join(",");
    const view = await report({ students: some, about: "skill:unit-rates" });
    expect(view.students.map(({ id }) => id)).toEqual(own.students.slice(2, 4));
    expect(view.hidden).toBe(4);
    expect(view.items.map(({ skillId, right }) => [skillId, right.n])).toEqual([
      ["unit-rates", 2],
      ["unit-rates", 2],
    ]);
    expect(view.students.map(({ mark }) => mark)).toEqual(["1/4", "1/2"]);
    expect((await own.frame({ students: some })).view.hides[0]).toMatchObject({
      words: "4 of 6 students are out of sight",
      drop: ["group", "students"],
    });
  });

  it("stands with nothing handed in, with one student, with everybody excused and where the work is gone", async () => {
    const empty = await own.test({ title: "Nobody yet" });
    const none = await pieceReport(await own.school.teacher(), empty, { frame: await own.frame() });
    expect(none).toMatchObject({ items: [], standards: [], openers: [], reliability: null });
    const teacher = await own.school.teacher();
    await grant(teacher, { assignmentId: empty, studentIds: own.students, excuse: "A fire drill" });
    const excused = await pieceReport(teacher, empty, { frame: await own.frame() });
    expect(new Set(excused.students.map(({ state }) => state))).toEqual(new Set(["excused"]));
    const one = await report({ students: own.students[0] });
    expect(one.reliability?.alpha ?? null).toBeNull();
    await expect(pieceReport(teacher, "no-such", { frame: await own.frame() })).rejects.toMatchObject({
      code: "not-found",
    });
    await expect(
      pieceReport(await own.school.teacher("ben"), workId, { frame: await own.frame() }),
    ).rejects.toMatchObject({
      code: "not-allowed",
    });
  });

  it("stands in the list of pieces with its mean, rounded down, and who is through", async () => {
    const [line] = await pieceList(await own.school.teacher(), await own.frame());
    // 1, 3/4, 1/4, 1/2 and 0: a half on average.
    expect(line).toMatchObject({ id: workId, finished: 5, students: 6, average: 50 });
    const earlier = await own.frame({ range: "2026-11-02..2026-11-20" });
    expect(await pieceList(await own.school.teacher(), earlier)).toEqual([]);
  });
});

describe("a talk", () => {
  it("has the students concerned with their own answers, and notes why it went wrong, which is counted in the sheet and undone", async () => {
    const { items } = await report();
    const search = {
      work: workId,
      item: items[1]?.key ?? "",
      only: [2, 3, 4].map((who) => own.students[who]).join(","),
    };
    const view = await talkView(await own.school.teacher(), [own.classId], search);
    expect(view.students.map(({ given, right }) => [given, right])).toEqual(Array(3).fill(["difference", false]));
    expect(view).toMatchObject({ others: 2, subject: { skillId: "ratio-language", assignmentId: workId } });
    expect(view.faces[0]?.answer).toBe("ratio");
    expect(JSON.stringify(view.faces[0]?.face)).not.toContain('ratio"');
    const note = async (who: number, reason: string, id = own.school.runtime.newId()) =>
      noteTalk(await own.school.teacher(), {
        notes: [{ id, studentId: own.students[who] }],
        reason,
        ...view.subject,
      });
    const first = own.school.runtime.newId();
    const { changeId } = await note(2, "reading", first);
    expect(await note(2, "reading", first)).toEqual({ changeId: null });
    await note(3, "haste");
    const again = await talkView(await own.school.teacher(), [own.classId], search);
    expect(again.students.map(({ noted }) => noted)).toEqual(["reading", "haste", null]);
    const sheet = async () => (await studentSheet(await own.school.teacher(), own.students[2] ?? "")).talks;
    expect(await sheet()).toEqual([{ reason: "reading", times: 1 }]);
    await undoChange(await own.school.teacher(), changeId ?? "");
    expect(await sheet()).toEqual([]);
    await expect(note(2, "boredom")).rejects.toMatchObject({ code: "invalid" });
  });

  it("from a mistake has each one's latest answer that showed it, of those not Secure today", async () => {
    const view = await talkView(await own.school.teacher(), [own.classId], {
      skill: "ratio-language",
      mistake: "turned-the-ratio-round",
    });
    expect(view.students.map(({ id }) => id).sort()).toEqual([2, 3, 4].map((who) => own.students[who]).sort());
    expect(view.explanation).not.toBe("");
    await expect(
      talkView(await own.school.teacher(), [own.classId], { skill: "unit-rates", mistake: "no-such" }),
    ).rejects.toMatchObject({ code: "not-found" });
  });
});
