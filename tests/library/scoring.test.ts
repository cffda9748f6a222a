import { afterEach, beforeEach, describe, expect, it } from "vitest";
import type { PartBody } from "@/core/items/itemBody";
import { evidenceAfter, evidenceOfPerson, scoresOfPerson } from "@/db/queries/answerLog";
import { eraseEvidenceOf } from "@/db/queries/erase";
import { ratingsOfPerson } from "@/db/queries/ratings";
import { skillStatesOfPerson } from "@/db/queries/summaries";
import { assignmentById } from "@/db/queries/work";
import { scoringView } from "@/features/scoring/reads/scoringView";
import { rateAnswer } from "@/features/scoring/writes/rateAnswer";
import { workList } from "@/features/work/reads/works";
import { workView } from "@/features/work/reads/workView";
import { shelfOf } from "@/server/library/shelf";
import { exactPart, naiveSummaries } from "../support/naiveSummaries";
import { bodyWith, putItem } from "../support/newItem";
import { PARTS } from "../support/partsOfEveryKind";
import { give, givePractice, makeClass, open, type TestSchool, testSchool } from "../support/school";

const why = PARTS.written;
const howMany = { ...PARTS.number, id: "n" } as PartBody;
let school: TestSchool;
let studentId = "";
let workId = "";

beforeEach(async () => {
  school = await testSchool();
  const { classId, studentIds } = await makeClass(school, 2);
  studentId = studentIds[0] ?? "";
  await putItem(school, "own/why", bodyWith(why));
  await putItem(school, "own/both", bodyWith(howMany, why));
  workId = await givePractice(school, classId, studentIds, {
    kind: "amount",
    skillIds: ["ratio-language"],
    items: 4,
    picked: ["own/why", "own/both"].map((itemId) => ({ itemId, skillId: "ratio-language", seed: 3 })),
  });
  for (const how of ["right", "right"] as const)
    await give(school, studentId, await open(school, studentId, workId), how);
});
afterEach(() => school.close());

const rate = async (answer: number, points: readonly number[], over: Record<string, unknown> = {}, key = "ana") =>
  rateAnswer(await school.teacher(key), { key: school.runtime.newId(), answer, part: "a", points, ...over });
const answersIn = async () =>
  (await scoringView(await school.teacher(), workId)).parts.flatMap(({ answers }) => answers);
const row = async () =>
  (await workView(await school.teacher(), workId)).rows.find((one) => one.studentId === studentId);
const scores = async () =>
  (await evidenceAfter(school.db.read, 0, 100)).map(({ part, earned, possible, by }) => [part, earned, possible, by]);

describe("an answer that a person scores", () => {
  it("ends its item at once, says so to the student, and waits with its words", async () => {
    const view = await open(school, studentId, workId);
    expect(view).toMatchObject({ finished: "amount", itemsDone: 2, itemsRight: 0 });
    // The part that is scored at once is; the item as a whole is worth nothing yet.
    expect(await scores()).toEqual([["n", 1, 1, "rule"]]);
    expect(await row()).toMatchObject({ toScore: 2, markPercent: null, itemsDone: 2 });
    const work = await assignmentById(school.db.read, workId);
    const listed = await workList(await school.teacher(), [work?.classId ?? ""]);
    expect(listed.find(({ id }) => id === workId)).toMatchObject({ toScore: 2 });
    const { parts, ...about } = await scoringView(await school.teacher(), workId);
    expect(about).toMatchObject({ title: "Practice", className: "6 Test" });
    expect(parts.map(({ answers }) => answers.map(({ text, points }) => [text, points]))).toEqual([
      [[expect.stringMatching(/^Because \d is doubled\.$/), null]],
      [[expect.stringMatching(/^Because \d is doubled\.$/), null]],
    ]);
  });

  it("tells the student that it is handed in, and shows no key", async () => {
    const { classId, studentIds } = await makeClass(school, 1, "6 Next");
    const other = studentIds[0] ?? "";
    const next = await givePractice(school, classId, [other], {
      kind: "amount",
      skillIds: ["ratio-language"],
      items: 4,
      picked: [{ itemId: "own/why", skillId: "ratio-language", seed: 3 }],
    });
    const { outcome } = await give(school, other, await open(school, other, next), "wrong");
    expect(outcome).toMatchObject({
      status: "scored",
      itemOver: true,
      feedback: { verdict: "waiting", solution: null, answer: null },
    });
  });

  it("is worth what the rubric says, in the mark and in the student's levels, as a second reading has it", async () => {
    const [first, second] = await answersIn();
    await rate(first?.serial ?? 0, [1]);
    expect(await row()).toMatchObject({ toScore: 1, markPercent: 50 });
    await rate(second?.serial ?? 0, [2]);
    // 1 of 2 points; and of two parts both.
    expect(await row()).toMatchObject({ toScore: 0, markPercent: 75, itemsRight: 1 });
    expect((await scores()).slice(1)).toEqual([
      ["a", 1, 2, "person"],
      ["a", 1, 1, "person"],
    ]);
    const [state] = await skillStatesOfPerson(school.db.read, studentId, ["ratio-language"]);
    const [naive] = naiveSummaries(await evidenceOfPerson(school.db.read, studentId)).states;
    expect(state && exactPart(state)).toEqual(naive && exactPart(naive));
    expect(state?.mastery).toBeCloseTo(naive?.mastery ?? Number.NaN, 6);
  });

  it("is scored anew by another rating, which takes the first one's place; sent twice it counts once", async () => {
    const [first] = await answersIn();
    const key = school.runtime.newId();
    await rate(first?.serial ?? 0, [0], { key });
    await rate(first?.serial ?? 0, [0], { key });
    await rate(first?.serial ?? 0, [2], {}, "cora");
    expect((await scores()).filter(([part]) => part === "a")).toEqual([["a", 1, 1, "person"]]);
    expect((await ratingsOfPerson(school.db.read, studentId)).map(({ raterId, points }) => [raterId, points])).toEqual([
      ["ana", [0]],
      ["cora", [2]],
    ]);
    expect(await scoresOfPerson(school.db.read, studentId)).toHaveLength(3);
    const again = (await answersIn()).find(({ serial }) => serial === first?.serial);
    expect(again).toMatchObject({ points: [2], by: expect.stringContaining("Cora") });
    expect(await row()).toMatchObject({ toScore: 1, markPercent: null, itemsRight: 1 });
  });

  it("takes no points that its rubric lacks, of no stranger, and for no part that is scored at once", async () => {
    const [, second] = await answersIn();
    const serial = second?.serial ?? 0;
    for (const points of [[3], [1, 1], []])
      await expect(rate(serial, points)).rejects.toMatchObject({ code: "invalid" });
    await expect(rate(serial, [1], { part: "n" })).rejects.toMatchObject({ code: "invalid" });
    await expect(rate(serial, [1], {}, "ben")).rejects.toMatchObject({ code: "not-allowed" });
    await expect(rate(999_999, [1])).rejects.toMatchObject({ code: "not-found" });
    await expect(scoringView(await school.teacher("ben"), workId)).rejects.toMatchObject({ code: "not-allowed" });
    await expect(scoringView(school.student(studentId), workId)).rejects.toMatchObject({ code: "not-allowed" });
    expect(await ratingsOfPerson(school.db.read, studentId)).toEqual([]);
  });

  it("goes with its student", async () => {
    const [first] = await answersIn();
    await rate(first?.serial ?? 0, [1]);
    await school.db.write((tx) => eraseEvidenceOf(tx, studentId));
    expect(await school.db.read.query.ratings.findMany()).toEqual([]);
  });

  it("is no item that practice draws, which can't wait for a person", async () => {
    const { pool } = await shelfOf(school.runtime, "ratio-language");
    expect(pool.length).toBeGreaterThan(0);
    expect(pool.filter(({ itemId }) => itemId.startsWith("own/"))).toEqual([]);
  });
});
