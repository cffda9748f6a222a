import { afterEach, beforeEach, describe, expect, it } from "vitest";
import { evidenceAfter } from "@/db/queries/answerLog";
import { allSkillStates } from "@/db/queries/summaries";
import type { SittingView } from "@/features/delivery/types";
import { handIn } from "@/features/delivery/writes/handIn";
import { openSitting } from "@/features/delivery/writes/openSitting";
import { makeBank } from "@/features/library/writes/banks";
import { putIntoUse, saveDraft } from "@/features/library/writes/drafts";
import { workItems } from "@/features/scoring/reads/workItems";
import { dropItem, rejudgeItem } from "@/features/scoring/writes/rejudge";
import { workView } from "@/features/work/reads/workView";
import { undoChange } from "@/server/history/undoChange";
import { bodyWith } from "../support/newItem";
import { give, givePractice, makeClass, type TestSchool, testSchool } from "../support/school";
import { summariesHold } from "../support/summariesHold";

let school: TestSchool;
let classId: string;
let studentIds: string[];
beforeEach(async () => {
  school = await testSchool();
  ({ classId, studentIds } = await makeClass(school, 3));
});
afterEach(() => school.close());

const student = (place: number) => studentIds[place] as string;
const log = () => evidenceAfter(school.db.read, 0, 1000);
const marks = async (id: string) =>
  (await workView(await school.teacher(), id)).rows
    .toSorted((x, y) => x.name.localeCompare(y.name))
    .map(({ markPercent }) => markPercent);

/** A test of three items, worth 1, 2 and 1 points. */
const giveTest = (picked: readonly object[]) =>
  givePractice(school, classId, studentIds, {
    kind: "quiz",
    title: "T",
    skillIds: ["ratio-language", "unit-rates"],
    items: picked.length,
    settings: { goBack: true },
    picked,
  });
const PICKED = [
  { itemId: "ratio-language/fraction-of-all", skillId: "ratio-language", seed: 4 },
  { itemId: "ratio-language/name-the-ratio", skillId: "ratio-language", seed: 11, points: 2 },
  { itemId: "unit-rates/for-one", skillId: "unit-rates", seed: 3 },
];

async function take(id: string, place: number, how: readonly ("right" | "wrong")[]): Promise<void> {
  const view: SittingView = await openSitting(school.student(student(place)), id);
  for (const [n, one] of how.entries())
    await give(school, student(place), view, one, { presentationId: view.whole?.items[n]?.presentationId });
  await handIn(school.student(student(place)), { sittingId: view.sittingId });
}

describe("an item that is left out of a test that was given", () => {
  it("weighs nothing in any mark and is evidence of nothing, and everything is back when that is undone", async () => {
    const id = await giveTest(PICKED);
    await take(id, 0, ["right", "wrong", "right"]);
    await take(id, 1, ["right", "right", "wrong"]);
    expect(await marks(id)).toEqual([50, 75, null]);
    const before = await allSkillStates(school.db.read);
    const teacher = await school.teacher();
    const items = (await workItems(teacher, id)).items;
    expect(items.map(({ answered, right, dropped }) => [answered, right, dropped])).toEqual([
      [2, 2, false],
      [2, 1, false],
      [2, 1, false],
    ]);
    const { changeId, marks: changed } = await dropItem(teacher, { assignmentId: id, partItemId: items[1]?.id });
    expect(changed.map(({ before: was, after }) => [was, after]).sort()).toEqual([
      [50, 100],
      [75, 50],
    ]);
    expect(await marks(id)).toEqual([100, 50, null]);
    expect(await log()).toHaveLength(4);
    await summariesHold(school);
    expect((await workItems(teacher, id)).items[1]).toMatchObject({ dropped: true });
    // Who takes it later: the item is there, and weighs nothing.
    await take(id, 2, ["right", "wrong", "wrong"]);
    expect(await marks(id)).toEqual([100, 50, 50]);
    await expect(dropItem(teacher, { assignmentId: id, partItemId: items[1]?.id })).rejects.toThrow(/left out already/);
    await undoChange(await school.teacher(), changeId ?? "");
    expect(await marks(id)).toEqual([50, 75, 25]);
    const two = (rows: typeof before) => rows.filter(({ personId }) => personId !== student(2));
    expect(two(await allSkillStates(school.db.read))).toEqual(before);
    await summariesHold(school);
  });

  it("is refused for an item of another test", async () => {
    const [one, other] = [await giveTest(PICKED), await giveTest(PICKED)];
    const teacher = await school.teacher();
    const [item] = (await workItems(teacher, other)).items;
    await expect(dropItem(teacher, { assignmentId: one, partItemId: item?.id })).rejects.toThrow(/not in this test/);
  });
});

describe("a key that was wrong", () => {
  const key = (answer: string) =>
    bodyWith({ id: "a", kind: "number", answer, right: `x == ${answer}`, misconceptions: [] });
  async function publish(itemId: string, bankId: string, answer: string): Promise<void> {
    const draft = { itemId, bankId, revision: 0, body: key(answer), skillIds: ["ratio-language"] };
    const { revision } = await saveDraft(await school.teacher(), draft);
    await putIntoUse(await school.teacher(), { itemId, revision });
  }

  it("is mended in the library, then earlier answers are judged by it: marks and estimates follow, and it can be undone", async () => {
    const bankId = school.runtime.newId();
    const itemId = school.runtime.newId();
    await makeBank(await school.teacher(), { id: bankId, name: "Mine" });
    await publish(itemId, bankId, "n + 1");
    const id = await giveTest([{ itemId, skillId: "ratio-language", seed: 3 }, PICKED[0] as object]);
    await take(id, 0, ["right", "right"]);
    await take(id, 1, ["wrong", "right"]);
    expect(await marks(id)).toEqual([100, 50, null]);
    expect((await workItems(await school.teacher(), id)).items.map(({ newerKey }) => newerKey)).toEqual([false, false]);
    await publish(itemId, bankId, "n + 2");
    expect((await workItems(await school.teacher(), id)).items.map(({ newerKey }) => newerKey)).toEqual([true, false]);
    const { marks: changed, changeId } = await rejudgeItem(await school.teacher(), { assignmentId: id, itemId });
    expect(changed.map(({ before, after }) => [before, after])).toEqual([[100, 50]]);
    expect(await marks(id)).toEqual([50, 50, null]);
    await summariesHold(school);
    await undoChange(await school.teacher("cora"), changeId ?? "");
    expect(await marks(id)).toEqual([100, 50, null]);
    await summariesHold(school);
    // Somebody who teaches and does not look after the key may not.
    await expect(rejudgeItem(await school.teacher("ben"), { assignmentId: id, itemId })).rejects.toMatchObject({
      code: "not-allowed",
    });
  });
});
