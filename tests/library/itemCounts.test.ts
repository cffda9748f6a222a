import { afterEach, beforeEach, describe, expect, it } from "vitest";
import { evidenceAfter } from "@/db/queries/answerLog";
import { finderQuery } from "@/features/library/finderQuery";
import { finder } from "@/features/library/reads/finder";
import { rateAnswer } from "@/features/scoring/writes/rateAnswer";
import { countItemUse } from "@/server/library/itemCounts";
import { bodyWith, putItem } from "../support/newItem";
import { PARTS } from "../support/partsOfEveryKind";
import { give, givePractice, makeClass, open, START, type TestSchool, testSchool } from "../support/school";

let school: TestSchool;
beforeEach(async () => {
  school = await testSchool();
});
afterEach(() => school.close());

const counts = async () =>
  new Map(
    (await school.db.read.query.itemCounts.findMany()).map((row) => [
      row.itemId,
      [row.answered, row.scored, row.earned],
    ]),
  );

/** The same worked out from the whole log at once: answers tried first, and what stands of their scores. */
async function recounted() {
  const found = new Map<string, [number, number, number]>();
  const of = (id: string) => found.get(id) ?? found.set(id, [0, 0, 0]).get(id) ?? [0, 0, 0];
  const { answers, sittingItems, itemVersions } = school.db.read.query;
  const items = new Map((await sittingItems.findMany()).map(({ id, versionId }) => [id, versionId]));
  const versions = new Map((await itemVersions.findMany()).map(({ id, itemId }) => [id, itemId]));
  for (const { tryNumber, sittingItemId } of await answers.findMany())
    if (tryNumber === 1) of(versions.get(items.get(sittingItemId) ?? "") ?? "")[0] += 1;
  for (const row of await evidenceAfter(school.db.read, 0, 10_000))
    if (row.tryNumber === 1) {
      of(row.itemId)[1] += 1;
      of(row.itemId)[2] += row.earned / row.possible;
    }
  return found;
}

describe("how often items were answered", () => {
  it("is counted from where it was left, and is what the whole log says", async () => {
    await putItem(school, "own/why", bodyWith(PARTS.written));
    await putItem(school, "own/several", bodyWith(PARTS.number, { ...PARTS.order, id: "b" }));
    const { classId, studentIds } = await makeClass(school, 3);
    const workId = await givePractice(school, classId, studentIds, {
      kind: "amount",
      skillIds: ["ratio-language"],
      items: 4,
      picked: ["own/why", "own/several"].map((itemId) => ({ itemId, skillId: "ratio-language", seed: 2 })),
    });
    for (const [place, id] of studentIds.entries()) {
      await give(school, id, await open(school, id, workId), "right");
      await give(school, id, await open(school, id, workId), place === 0 ? "right" : "wrong");
      // A second try is no other use of the item.
      if (place === 1) await give(school, id, await open(school, id, workId), "right");
      await countItemUse(school.runtime);
    }
    // By hand: what waits is used and worth nothing yet; of the other one student had both parts right, two had neither.
    expect(await counts()).toEqual(
      new Map([
        ["own/why", [3, 0, 0]],
        ["own/several", [3, 6, 2]],
      ]),
    );
    const [answer] = await school.db.read.query.answers.findMany();
    for (const points of [1, 2])
      await rateAnswer(await school.teacher(), {
        key: school.runtime.newId(),
        answer: answer?.serial,
        part: "a",
        points: [points],
      });
    await countItemUse(school.runtime);
    expect((await counts()).get("own/why")).toEqual([3, 1, 1]);
    expect(await counts()).toEqual(await recounted());
    await countItemUse(school.runtime);
    expect(await counts()).toEqual(await recounted());
  });

  it("narrows a search, with how many there are of each", async () => {
    await putItem(school, "own/hard", bodyWith(PARTS.number));
    await putItem(school, "own/fine", bodyWith(PARTS.number));
    await school.db.write(async (tx) => {
      const { itemCounts } = await import("@/db/schema/itemCounts");
      await tx.insert(itemCounts).values([
        { itemId: "own/hard", answered: 40, scored: 40, earned: 4 },
        { itemId: "own/fine", answered: 19, scored: 19, earned: 19 },
      ]);
    });
    const ana = await school.teacher();
    const { facets } = await finder(ana, finderQuery({}));
    expect(facets.use.map(({ value, items }) => [value, items]).filter(([value]) => value !== "never")).toEqual([
      ["few", 1],
      ["hard", 1],
    ]);
    const hard = await finder(ana, finderQuery({ use: "hard" }));
    expect(hard.items.map(({ id, answered, sharePercent }) => [id, answered, sharePercent])).toEqual([
      ["own/hard", 40, 10],
    ]);
    const few = await finder(ana, finderQuery({ use: "few" }));
    expect(few.items.map(({ id, answered, sharePercent }) => [id, answered, sharePercent])).toEqual([
      ["own/fine", 19, null],
    ]);
    expect((await finder(ana, finderQuery({ use: "never~few~hard" }))).total).toBe(
      (await finder(ana, finderQuery({}))).total,
    );
  });

  it("and by when they were added, counted from the end of the day", async () => {
    const day = 86_400_000;
    for (const [id, days] of [
      ["own/new", 2],
      ["own/known", 20],
      ["own/old", 300],
      ["own/oldest", 500],
    ] as const) {
      school.setNow(START - days * day);
      await putItem(school, id, bodyWith(PARTS.number));
    }
    school.setNow(START);
    const ana = await school.teacher();
    const found = async (added: string) =>
      (await finder(ana, finderQuery({ added, order: "newest" }))).items
        .map(({ id }) => id)
        .filter((id) => id.startsWith("own/"));
    expect(await found("week")).toEqual(["own/new"]);
    expect(await found("month~year")).toEqual(["own/known", "own/old"]);
    expect(await found("older")).toEqual(["own/oldest"]);
    const { facets } = await finder(ana, finderQuery({}));
    expect(facets.added.map(({ value, items }) => [value, items]).slice(1)).toEqual([
      ["month", 1],
      ["year", 1],
      ["older", 1],
    ]);
  });
});
