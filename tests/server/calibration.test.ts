import { eq } from "drizzle-orm";
import { afterAll, beforeAll, expect, it } from "vitest";
import { drawParameters } from "@/core/items/drawParameters";
import { checkItems } from "@/core/measurement/checkItems";
import { seededRandom } from "@/core/numeric/seededRandom";
import { updateCalibration } from "@/db/queries/calibrations";
import { answers, scores, sittingItems } from "@/db/schema/sittings";
import { calibrationView } from "@/features/library/reads/calibration";
import { adoptEstimates } from "@/features/library/writes/adoptEstimates";
import { beginCalibration } from "@/features/library/writes/calibrate";
import { undoChange } from "@/server/history/undoChange";
import { versionsOf } from "@/server/library/drawnItems";
import { libraryOf } from "@/server/library/library";
import { shelfOf } from "@/server/library/shelf";
import { type ReportClass, reportClass } from "../support/reportClass";

const STUDENTS = 55;
const TESTS = 2;
let own: ReportClass;
/** By run: whether the two items of ratio language were right. */
const right: (readonly (0 | 1)[])[] = [];
const cora = () => own.school.teacher("cora");
const skill = async () =>
  (await calibrationView(await cora(), null)).latest?.skills.find(({ skillId }) => skillId === "ratio-language");
const itemOf = async (itemId: string) => (await skill())?.items.find((item) => item.itemId === itemId);

beforeAll(async () => {
  own = await reportClass(STUDENTS);
  const random = seededRandom("calibration");
  for (let test = 0; test < TESTS; test++) {
    own.at(test);
    const id = await own.test({ title: `Test ${test}` });
    for (let who = 0; who < STUDENTS; who++) {
      const theta = 4 * (random() - 0.5);
      const chances = [-1, 0.8].map((b) => 1 / (1 + Math.exp(-2 * (theta - b))));
      const scored = chances.map((chance) => (random() < chance ? 1 : 0) as 0 | 1);
      right.push(scored);
      await own.sit(id, who, `${scored.map((one) => (one ? "r" : "x")).join("")}rx`, 20);
    }
  }
}, 60_000);
afterAll(() => own.school.close());

it("is for whoever looks after the bank, for the stock whoever looks after every school", async () => {
  const begin = { id: own.school.runtime.newId(), bankId: null, model: "rasch" };
  for (const key of ["ana", "ben"]) {
    const context = await own.school.teacher(key);
    await expect(calibrationView(context, null)).rejects.toMatchObject({ code: "not-allowed" });
    await expect(beginCalibration(context, begin)).rejects.toMatchObject({ code: "not-allowed" });
    await expect(
      adoptEstimates(context, { calibrationId: begin.id, bankId: null, versionIds: ["own/one@1"] }),
    ).rejects.toMatchObject({ code: "not-allowed" });
  }
});

it("reads every run's first tries, says what is too little, and tells what it found", async () => {
  expect((await calibrationView(await cora(), null)).latest).toBeNull();
  const id = own.school.runtime.newId();
  const { done } = await beginCalibration(await cora(), { id, bankId: null, model: "rasch" });
  const running = await calibrationView(await cora(), null);
  expect(running.latest).toMatchObject({ id, state: "running", skills: [] });
  await expect(
    beginCalibration(await cora(), { id: own.school.runtime.newId(), bankId: null, model: "rasch" }),
  ).rejects.toThrow("on its way already");
  // Sent twice, it runs once: the second one has nothing to do, and the first is not disturbed.
  await (await beginCalibration(await cora(), { id, bankId: null, model: "rasch" })).done;
  expect((await calibrationView(await cora(), null)).latest).toMatchObject({ id, state: "running" });
  await done;
  const { latest } = await calibrationView(await cora(), null);
  expect(latest).toMatchObject({ state: "done", by: "Cora Tester", model: "rasch" });
  expect(latest?.doneSkills).toBe(latest?.ofSkills);
  // The same answers, put together here, by the core itself: nothing was lost on the way, and nothing counted twice.
  const library = await libraryOf(own.school.runtime);
  const difficulty = library.skill("ratio-language").difficulty;
  const shelf = await shelfOf(own.school.runtime, "ratio-language");
  const versions = await versionsOf(own.school.runtime, ["own/one@1", "own/two@1"]);
  const held = ["own/one@1", "own/two@1"].map((version, seed) => {
    const found = versions.get(version);
    if (!found) throw new Error("not there");
    expect(drawParameters(found, seed)).toBeDefined();
    return shelf.parametersOf(found, seed);
  });
  const expected = checkItems(
    {
      scores: right,
      inForce: held,
      difficulty,
      later: right.map((_, run) => run >= STUDENTS),
      focal: right.map(() => false),
    },
    "rasch",
  );
  expect(expected.refusal).toBeNull();
  for (const [place, itemId] of ["own/one", "own/two"].entries()) {
    const [item, by] = [await itemOf(itemId), expected.items[place]];
    expect(item?.found.answers).toBe(STUDENTS * TESTS);
    expect(item?.found.right).toBe(right.filter((row) => row[place] === 1).length);
    expect(item?.estimated).toBeCloseTo((by?.estimate?.b ?? 0) - difficulty, 6);
    expect(item?.found.estimate?.se).toBeCloseTo(by?.estimate?.se ?? 0, 6);
    expect(item?.found.drift?.n ?? null).toBe(by?.drift?.n ?? null);
  }
  // Nobody answered any other item of the skill.
  expect((await skill())?.items.find(({ itemId }) => itemId.startsWith("ratio-language/"))).toMatchObject({
    estimated: null,
    found: { answers: 0 },
  });
});

it("puts estimates into force for what comes, lets what was scored stand, and takes them back", async () => {
  const two = await itemOf("own/two");
  const view = await calibrationView(await cora(), null);
  const adopt = async (over: object = {}) =>
    adoptEstimates(await cora(), { calibrationId: view.latest?.id, bankId: null, versionIds: ["own/two@1"], ...over });
  await expect(adopt({ calibrationId: "another" })).rejects.toThrow("read anew");
  await expect(adopt({ versionIds: ["own/two@1", "ratio-language/none"] })).rejects.toThrow("rewritten or retired");
  const difficulties = async () =>
    (
      await own.school.db.read
        .select({ b: scores.b })
        .from(scores)
        .innerJoin(answers, eq(answers.serial, scores.answerSerial))
        .innerJoin(sittingItems, eq(sittingItems.id, answers.sittingItemId))
        .where(eq(sittingItems.versionId, "own/two@1"))
        .orderBy(scores.serial)
    ).map(({ b }) => b);
  const before = await difficulties();
  const { changeId } = await adopt();
  expect(await difficulties()).toEqual(before);
  expect(await itemOf("own/two")).toMatchObject({ isEstimate: true, inForce: two?.estimated });
  own.at(3);
  const again = await own.test({ title: "Later" });
  await own.sit(again, 0, "rrrr");
  expect((await difficulties()).at(-1)).toBeCloseTo(two?.found.estimate?.b ?? 0, 9);
  await undoChange(await cora(), changeId);
  expect(await itemOf("own/two")).toMatchObject({ isEstimate: false });
  await own.sit(again, 1, "rrrr");
  expect((await difficulties()).at(-1)).toBeCloseTo(before[0] ?? 0, 9);
});

it("says that one has stopped of which nothing is heard, and begins anew", async () => {
  const { latest } = await calibrationView(await cora(), null);
  const silent = { result: null, heardAt: own.school.runtime.now() - 3 * 60_000 };
  await own.school.db.write((tx) => updateCalibration(tx, latest?.id ?? "", silent));
  expect((await calibrationView(await cora(), null)).latest?.state).toBe("stopped");
  own.at(4);
  const begun = await beginCalibration(await cora(), { id: own.school.runtime.newId(), bankId: null, model: "2pl" });
  await begun.done;
  expect((await calibrationView(await cora(), null)).latest).toMatchObject({ state: "done", model: "2pl" });
});
