import { afterEach, beforeEach, describe, expect, it } from "vitest";
import { makeBank } from "@/features/library/writes/banks";
import { searchTestItems, swapsFor } from "@/features/work/reads/testPicks";
import { proposeTest } from "@/features/work/reads/testProposal";
import { giveWork } from "@/features/work/writes/giveWork";
import { bodyWith, chooseAll, putItem } from "../support/newItem";
import { give, givePractice, makeClass, open, type TestSchool, testSchool } from "../support/school";

let school: TestSchool;
let classId: string;
let studentIds: string[];
beforeEach(async () => {
  school = await testSchool();
  ({ classId, studentIds } = await makeClass(school, 4));
});
afterEach(() => school.close());

const counts = [
  { skillId: "ratio-language", items: 3 },
  { skillId: "unit-rates", items: 2 },
];
const propose = async (over: object = {}) => proposeTest(await school.teacher(), { classId, counts, seed: 1, ...over });

describe("a test that is proposed", () => {
  it("has so many items of each standard, with their keys for the teacher and how the class will do", async () => {
    const { forms, quality, problems, available } = await propose({ search: true });
    const [form = []] = forms;
    expect(form.map(({ skillId }) => skillId)).toEqual([
      ...Array(3).fill("ratio-language"),
      ...Array(2).fill("unit-rates"),
    ]);
    expect(new Set(form.map(({ id }) => id)).size).toBe(5);
    expect(["best", "good"]).toContain(quality);
    expect(problems).toEqual([]);
    expect(available["ratio-language"]).toBeGreaterThan(0);
    for (const { chance, key, seconds } of form) {
      expect(chance).toBeGreaterThan(0);
      expect(chance).toBeLessThan(1);
      expect(key).not.toBe("");
      expect(seconds).toBeGreaterThan(5);
    }
  });

  it("is the same for the same number, and another for another; easier when an easier one is wished", async () => {
    const ids = async (over: object) => (await propose(over)).forms[0]?.map(({ id }) => id);
    expect(await ids({})).toEqual(await ids({}));
    expect(await ids({})).not.toEqual(await ids({ seed: 2 }));
    const hardness = async (level: string) =>
      (await propose({ level, search: true })).forms[0]?.reduce((sum, { parameters }) => sum + parameters.b, 0) ?? 0;
    expect(await hardness("easier")).toBeLessThanOrEqual(await hardness("harder"));
  });

  it("in two forms asks nothing twice, and both are as hard", async () => {
    const { forms } = await propose({ forms: 2, search: true });
    const [a = [], b = []] = forms;
    expect([a.length, b.length]).toEqual([5, 5]);
    expect(a.filter(({ id }) => b.some((other) => other.id === id))).toEqual([]);
    const mean = (form: typeof a) => form.reduce((sum, { chance }) => sum + chance, 0) / form.length;
    expect(Math.abs(mean(a) - mean(b))).toBeLessThan(0.05);
  });

  it("keeps what is held, and leaves out what was dropped, whatever its numbers", async () => {
    const [first, second] = (await propose()).forms[0] ?? [];
    if (!first || !second) throw new Error("no form");
    const { itemId, skillId, seed } = first;
    const again = await propose({ seed: 9, kept: [{ form: "A", itemId, skillId, seed }], leftOut: [second.itemId] });
    expect(again.forms[0]?.map(({ id }) => id)).toContain(first.id);
    const others = again.forms[0]?.filter(({ id }) => id !== first.id).map((one) => one.itemId);
    if (second.itemId !== first.itemId) expect(others).not.toContain(second.itemId);
  });

  it("says which wish can't be met, and gives what can be had", async () => {
    const many = await propose({ counts: [{ skillId: "unit-rates", items: 20 }], kinds: ["written"] });
    expect(many.problems).toEqual([
      expect.stringMatching(/^20 items of “Unit rates” can't be had of these kinds; \d+ can\.$/),
    ]);
    await expect(propose({ counts: [] })).rejects.toMatchObject({ code: "invalid" });
    await expect(propose({ counts: [{ skillId: "gone", items: 2 }] })).rejects.toMatchObject({ code: "not-found" });
  });

  it("foresees better results of a class that has shown more", async () => {
    const before = (await propose()).forms[0]?.[0]?.chance ?? 1;
    for (const student of studentIds) {
      const work = await givePractice(school, classId, [student], { skillIds: ["ratio-language"], items: 12 });
      let view = await open(school, student, work);
      while (view.finished === null) view = (await give(school, student, view, "right")).sitting;
    }
    expect((await propose()).forms[0]?.[0]?.chance).toBeGreaterThan(before);
  });
});

describe("single items", () => {
  it("are swapped for others of the same standard, nearest in difficulty; what was there never comes back", async () => {
    const [first] = (await propose()).forms[0] ?? [];
    if (!first) throw new Error("no form");
    const { itemId, skillId, seed } = first;
    const swaps = async (not: string[]) =>
      swapsFor(await school.teacher(), { classId, item: { itemId, skillId, seed }, not });
    const found = await swaps([first.id]);
    expect(found.length).toBeGreaterThan(2);
    expect(found.every((one) => one.skillId === skillId && one.id !== first.id)).toBe(true);
    expect(found[0]?.itemId).not.toBe(itemId);
    const without = await swaps([first.id, found[0]?.id ?? ""]);
    expect(without.map(({ id }) => id)).not.toContain(found[0]?.id);
  });

  it("are found in the stock and in own banks, those of the test's standards first", async () => {
    const teacher = await school.teacher();
    await makeBank(teacher, { id: school.runtime.newId(), name: "Mine" });
    await putItem(school, "own/picked", bodyWith(chooseAll));
    const found = await searchTestItems(teacher, { classId, words: "", skillIds: ["ratio-language"] });
    expect(found.map(({ skillId }) => skillId)).toEqual(found.map(() => "ratio-language"));
    expect(found.map(({ itemId }) => itemId)).toContain("own/picked");
    expect(await searchTestItems(teacher, { classId, words: "zzzz", skillIds: [] })).toEqual([]);
  });

  it("what is retired between choosing and giving is named, and nothing is given", async () => {
    const teacher = await school.teacher();
    const asked = giveWork(teacher, {
      workId: school.runtime.newId(),
      title: "T",
      parts: [
        {
          id: school.runtime.newId(),
          kind: "quiz",
          skillIds: ["unit-rates"],
          settings: { items: 1, goBack: true },
          items: [{ itemId: "gone", skillId: "unit-rates", seed: 1 }],
        },
      ],
      to: [{ assignmentId: school.runtime.newId(), classId, studentIds }],
      opens: { day: "2026-11-23", time: "06:00" },
      due: { day: "2026-11-27", time: "20:00" },
    });
    await expect(asked).rejects.toMatchObject({ code: "invalid" });
  });
});

it("the item on the student's page is the one that was looked at", async () => {
  const [first] = (await propose()).forms[0] ?? [];
  if (!first) throw new Error("no form");
  const { itemId, skillId, seed } = first;
  const id = await givePractice(school, classId, studentIds, {
    kind: "quiz",
    skillIds: [skillId],
    items: 1,
    picked: [{ itemId, skillId, seed }],
    settings: { goBack: false },
  });
  const view = await open(school, studentIds[0] ?? "", id);
  expect(view.current?.stem).toBe(first.face.stem);
});
