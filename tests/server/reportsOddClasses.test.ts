import { eq } from "drizzle-orm";
import { afterEach, expect, it } from "vitest";
import { items } from "@/db/schema/items";
import { assignments } from "@/db/schema/work";
import { masteryMap } from "@/features/evidence/reads/evidence";
import { pieceReport } from "@/features/evidence/reads/piece/pieceView";
import { daySigns } from "@/features/evidence/reads/signs/daySigns";
import { weekReport } from "@/features/evidence/reads/week/weekReport";
import { giveMarked } from "@/features/work/writes/giveMarked";
import { type ReportClass, reportClass } from "../support/reportClass";

let own: ReportClass;
afterEach(() => own.school.close());
const report = async (work: string) => pieceReport(await own.school.teacher(), work, { frame: await own.frame() });

it("a class of sixty with a test that three have taken: everybody is there, and three marks are said to be few", async () => {
  own = await reportClass(60);
  const work = await own.test();
  for (const [who, answers] of ["rrrr", "rrxx", "xxxx"].entries()) await own.sit(work, who, answers);
  const view = await report(work);
  expect(view.students).toHaveLength(60);
  expect(view.students.filter(({ mark }) => mark !== null).map(({ mark }) => mark)).toEqual(["1", "1/2", "0"]);
  expect(view.students.filter(({ state }) => state === "not-started")).toHaveLength(57);
  expect(view.items.map(({ right }) => [right.share, right.n])).toEqual([
    [2 / 3, 3],
    [2 / 3, 3],
    [1 / 3, 3],
    [1 / 3, 3],
  ]);
  expect(view.reliability).toMatchObject({ complete: 3, few: true });
  const teacher = await own.school.teacher();
  expect((await masteryMap(teacher, [own.classId])).students).toHaveLength(60);
  const week = await weekReport(teacher, await own.frame(), {});
  expect(week.students.filter(({ weeks }) => weeks[week.chosen]?.signedIn === true).length).toBeLessThanOrEqual(3);
  expect((await daySigns(teacher, [own.classId])).surprises).toEqual([]);
});

it("everybody perfect: nothing to open with, no mistake, and no figure that would need a difference", async () => {
  own = await reportClass(4);
  const work = await own.test();
  for (const who of [0, 1, 2, 3]) await own.sit(work, who, "rrrr");
  const view = await report(work);
  expect(view.openers).toEqual([]);
  expect(view.items.every(({ right, wrong }) => right.share === 1 && wrong.length === 0)).toBe(true);
  expect(view.reliability).toMatchObject({ alpha: null, noAlpha: "no-variance" });
  expect(view.students.flatMap(({ missed }) => missed)).toEqual([]);
});

it("an item that is retired meanwhile keeps its answers in the report", async () => {
  own = await reportClass(2);
  const work = await own.test();
  await own.sit(work, 0, "rdxr");
  await own.school.db.write((tx) => tx.update(items).set({ retiredAt: 1 }).where(eq(items.id, "own/two")));
  const view = await report(work);
  expect(view.items).toHaveLength(4);
  expect(view.items[1]?.wrong.map(({ text }) => text)).toEqual(["difference"]);
});

it("ten thousand marked cells are refused with the bound, and nothing is given", async () => {
  own = await reportClass(2);
  const before = await own.school.db.read.select().from(assignments);
  const skillIds = Array.from({ length: 25 }, (_, n) => `skill-${n}`);
  const marked = Array.from({ length: 400 }, (_, n) => ({
    studentId: own.students[n % 2] ?? "",
    classId: own.classId,
    skillIds,
  }));
  await expect(
    giveMarked(await own.school.teacher(), { batchId: own.school.runtime.newId(), dueDay: "2026-11-26", marked }),
  ).rejects.toThrow("Mark at most 6 skills for one student.");
  expect(await own.school.db.read.select().from(assignments)).toEqual(before);
});
