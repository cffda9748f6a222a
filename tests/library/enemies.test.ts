import { afterEach, beforeEach, expect, it } from "vitest";
import { clashesAmong } from "@/core/items/clashesAmong";
import { itemPage } from "@/features/library/reads/itemPage";
import { worksheet } from "@/features/library/reads/worksheet";
import { worksheetWishes } from "@/features/library/worksheetTypes";
import { makeBank, openBank } from "@/features/library/writes/banks";
import { putIntoUse, saveDraft } from "@/features/library/writes/drafts";
import { keepApart } from "@/features/library/writes/enemies";
import { composeView } from "@/features/work/reads/compose";
import { undoChange } from "@/server/history/undoChange";
import type { Context } from "@/server/runtime/context";
import { clashWords } from "@/words/staff/clashWords";
import { bodyWith, putItem } from "../support/newItem";
import { PARTS } from "../support/partsOfEveryKind";
import { makeClass, type TestSchool, testSchool } from "../support/school";

let school: TestSchool;
let ana: Context;
let bankId = "";
const items: string[] = [];
beforeEach(async () => {
  school = await testSchool();
  ana = await school.teacher();
  ({ bankId } = await makeBank(ana, { id: school.runtime.newId(), name: "Boats" }));
  items.length = 0;
  for (const kind of ["number", "order", "shading"] as const) {
    const itemId = school.runtime.newId();
    const body = bodyWith(PARTS[kind]);
    const { revision } = await saveDraft(ana, { itemId, bankId, revision: 0, body, skillIds: ["ratio-language"] });
    await putIntoUse(ana, { itemId, revision });
    items.push(itemId);
  }
});
afterEach(() => school.close());

const pageOf = async (id: string) =>
  (await itemPage(ana, id, { seed: 0, versionId: null })).enemies.map((enemy) => enemy.id).sort();
const sheet = async (ids: readonly string[]) =>
  (await worksheet(ana, worksheetWishes({ items: ids.map(encodeURIComponent).join("~") }))).clashes;

it("items are kept apart each with each, told where they are to be given or printed, and let together again", async () => {
  const [one = "", two = "", three = ""] = items;
  const { changeId } = await keepApart(ana, { itemIds: [three, one], apart: true });
  expect(await pageOf(one)).toEqual([three]);
  expect(await pageOf(two)).toEqual([]);
  expect(await sheet([one, two, three])).toEqual([[1, 3]]);
  expect(await sheet([one, two])).toEqual([]);
  const { classId } = await makeClass(school, 1);
  expect((await composeView(await school.teacher(), [classId], [three, two, one])).clashes).toEqual([[1, 3]]);
  await expect(keepApart(ana, { itemIds: [one, three], apart: true })).rejects.toMatchObject({ code: "conflict" });
  await keepApart(ana, { itemIds: items, apart: true });
  expect((await sheet(items)).length).toBe(3);
  await keepApart(ana, { itemIds: [one, three], apart: false });
  expect(await sheet(items)).toEqual([
    [1, 2],
    [2, 3],
  ]);
  await expect(undoChange(ana, changeId)).rejects.toMatchObject({ code: "conflict" });
});

it("the last of these changes is taken back by its undo", async () => {
  const { changeId } = await keepApart(ana, { itemIds: items, apart: true });
  await undoChange(ana, changeId);
  expect(await sheet(items)).toEqual([]);
});

it("whoever keeps them apart may use all and change one; of a closed bank nothing is told", async () => {
  await putItem(school, "own/stock", bodyWith(PARTS.number));
  const [one = ""] = items;
  await keepApart(ana, { itemIds: [one, "own/stock"], apart: true });
  expect(await pageOf(one)).toEqual(["own/stock"]);
  const ben = await school.teacher("ben");
  const attempt = (itemIds: readonly string[]) => keepApart(ben, { itemIds, apart: false });
  await expect(attempt([one, "own/stock"])).rejects.toMatchObject({ code: "not-allowed" });
  await openBank(ana, { bankId, personId: "ben", level: "use" });
  await expect(attempt([one, "own/stock"])).rejects.toMatchObject({ code: "not-allowed" });
  await openBank(ana, { bankId, personId: "ben", level: "change" });
  await attempt([one, "own/stock"]);
  await expect(keepApart(ana, { itemIds: [one], apart: true })).rejects.toMatchObject({ code: "invalid" });
  await expect(keepApart(ana, { itemIds: [one, "gone"], apart: true })).rejects.toMatchObject({ code: "not-found" });
  await keepApart(ana, { itemIds: [one, "own/stock"], apart: true });
  const sam = await school.teacher("sam");
  expect((await itemPage(sam, "own/stock", { seed: 0, versionId: null })).enemies).toEqual([]);
});

it("clashes are named by their places", () => {
  expect(clashesAmong(["a"], [{ itemId: "a", enemyId: "b", apart: true }])).toEqual([]);
  expect(clashWords([[1, 3]])).toBe(
    "Items 1 and 3 are kept apart in the library: one gives the other away. Leave one of them out.",
  );
  expect(
    clashWords([
      [1, 3],
      [2, 4],
    ]),
  ).toContain("1 and 3, 2 and 4 are kept apart");
});
