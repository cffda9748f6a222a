import { afterEach, beforeEach, describe, expect, it } from "vitest";
import { composeView } from "@/features/work/reads/compose";
import { addToWork } from "@/features/work/writes/changeWork";
import { undoChange } from "@/server/history/undoChange";
import { bodyWith, putItem } from "../support/newItem";
import { PARTS } from "../support/partsOfEveryKind";
import { give, givePractice, makeClass, open, type TestSchool, testSchool } from "../support/school";

let school: TestSchool;
let classId = "";
let studentIds: readonly string[] = [];
const pick = (itemId: string, skillId = "ratio-language") => ({ itemId, skillId, seed: 2 });
beforeEach(async () => {
  school = await testSchool();
  ({ classId, studentIds } = await makeClass(school, 2));
  for (const kind of ["number", "order", "shading"] as const)
    await putItem(school, `own/${kind}`, bodyWith(PARTS[kind]));
  await putItem(school, "own/other", bodyWith(PARTS.number), { skillId: "unit-rates" });
});
afterEach(() => school.close());

const picked = (over = {}) =>
  givePractice(school, classId, studentIds, {
    kind: "amount",
    skillIds: ["ratio-language"],
    items: 4,
    picked: [pick("own/number")],
    ...over,
  });
const addable = async () =>
  (await composeView(await school.teacher(), [classId], ["own/order"])).addable.map(({ id, items }) => [id, items]);
const add = async (assignmentId: string, ...items: ReturnType<typeof pick>[]) =>
  addToWork(await school.teacher(), { assignmentId, picked: items });

describe("items added to work that was given", () => {
  it("come after those that are there, of further skills too, for everybody; what is there already is left out", async () => {
    const workId = await picked();
    expect(await addable()).toEqual([[workId, 1]]);
    await add(workId, pick("own/number"), pick("own/order"), pick("own/other", "unit-rates"));
    expect(await addable()).toEqual([[workId, 3]]);
    const first = studentIds[0] ?? "";
    const met: string[] = [];
    for (let view = await open(school, first, workId); view.current; view = await open(school, first, workId)) {
      met.push(view.current.skillId);
      await give(school, first, view, "right");
    }
    expect(met).toEqual(["ratio-language", "ratio-language", "unit-rates"]);
  });

  it("are taken out again by the undo", async () => {
    const workId = await picked();
    const { changeId } = await add(workId, pick("own/order"));
    await undoChange(await school.teacher(), changeId);
    expect(await addable()).toEqual([[workId, 1]]);
  });

  it("change no work that somebody has begun, whose items are drawn, or that has them already", async () => {
    const workId = await picked();
    await expect(add(workId, pick("own/number"))).rejects.toMatchObject({ code: "conflict" });
    await open(school, studentIds[1] ?? "", workId);
    await expect(add(workId, pick("own/order"))).rejects.toMatchObject({ code: "conflict" });
    expect(await addable()).toEqual([]);
    const drawn = await picked({ picked: [] });
    await expect(add(drawn, pick("own/order"))).rejects.toMatchObject({ code: "invalid" });
    const practice = await givePractice(school, classId, studentIds);
    await expect(add(practice, pick("own/order"))).rejects.toMatchObject({ code: "invalid" });
    await expect(add("gone", pick("own/order"))).rejects.toMatchObject({ code: "not-found" });
    await expect(add(await picked(), pick("own/order", "unit-rates"))).rejects.toMatchObject({ code: "invalid" });
  });
});
