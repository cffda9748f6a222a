import { afterEach, beforeEach, expect, it } from "vitest";
import { studentSheet } from "@/features/evidence/reads/evidence";
import { workView } from "@/features/work/reads/workView";
import { give, givePractice, makeClass, open, type TestSchool, testSchool } from "../support/school";

let school: TestSchool;
let classId: string;
let studentIds: readonly string[];

beforeEach(async () => {
  school = await testSchool();
  ({ classId, studentIds } = await makeClass(school, 3));
});
afterEach(() => school.close());

const answerAll = async (studentId: string, workId: string, how: "right" | "wrong", most: number) => {
  let view = await open(school, studentId, workId);
  for (let n = 0; n < most && view.current; n++) view = (await give(school, studentId, view, how)).sitting;
};

it("work and student sheet say in which skill somebody is held up, and what that stands on", async () => {
  const workId = await givePractice(school, classId, studentIds, { items: 20 });
  const [stuck = "", able = "", idle = ""] = studentIds;
  await answerAll(stuck, workId, "wrong", 14);
  await answerAll(able, workId, "right", 3);
  const context = await school.teacher();
  const { rows } = await workView(context, workId);
  const rowOf = (id: string) => rows.find(({ studentId }) => studentId === id);
  expect(rowOf(stuck)).toMatchObject({
    status: "stuck",
    snags: [{ why: { right: 0, sinceDays: 0, opportunities: 10, lifting: false } }],
  });
  const [snag] = rowOf(stuck)?.snags ?? [];
  expect(snag?.why.answered).toBeGreaterThanOrEqual(5);
  expect(snag?.why.chanceThen).toBeLessThan(0.25);
  for (const id of [able, idle]) expect(rowOf(id)?.snags).toEqual([]);
  const sheet = await studentSheet(context, stuck);
  expect(sheet.snags.map(({ name, why }) => ({ skill: name, why }))).toEqual(rowOf(stuck)?.snags);
  expect((await studentSheet(context, able)).snags).toEqual([]);
});

it("finished work says in which skills it was not enough, with the chance and why; mastered work says nothing", async () => {
  const [first = "", second = ""] = studentIds;
  const workId = await givePractice(school, classId, studentIds, { items: 4 });
  await answerAll(first, workId, "wrong", 20);
  const long = await givePractice(school, classId, studentIds, { items: 40 });
  await answerAll(second, long, "right", 40);
  const context = await school.teacher();
  const short = (await workView(context, workId)).rows;
  expect(short.find(({ studentId }) => studentId === first)).toMatchObject({
    status: "budget",
    open: [{ percent: expect.any(Number), why: { right: 0, answered: 4, daysAgo: 0, mark: "never" } }],
  });
  expect(short.find(({ studentId }) => studentId === second)?.open).toEqual([]);
  const done = (await workView(context, long)).rows.find(({ studentId }) => studentId === second);
  expect(done).toMatchObject({ status: "mastered", open: [], snags: [] });
});
