import { afterEach, beforeEach, describe, expect, it } from "vitest";
import type { ItemBody } from "@/core/items/itemBody";
import { type ChangeRow, changeById, factsOf } from "@/db/queries/history";
import { finderQuery } from "@/features/library/finderQuery";
import { bankPage, banksPage } from "@/features/library/reads/banks";
import { itemEditor } from "@/features/library/reads/editor";
import { finder } from "@/features/library/reads/finder";
import { itemPage } from "@/features/library/reads/itemPage";
import { notesFor } from "@/features/library/reads/notes";
import { tryOut } from "@/features/library/reads/trial";
import { changeBank, closeBank, makeBank, openBank, putBankAway } from "@/features/library/writes/banks";
import { putIntoUse, saveDraft } from "@/features/library/writes/drafts";
import { bringItemsBack, copyItems, dropDraft, moveItems, retireItems } from "@/features/library/writes/items";
import { keepNote } from "@/features/library/writes/notes";
import { archiveStaff } from "@/features/roster/writes/staff";
import { undoChange } from "@/server/history/undoChange";
import { shelfOf } from "@/server/library/shelf";
import type { Context } from "@/server/runtime/context";
import { give, givePractice, makeClass, open, type TestSchool, testSchool } from "../support/school";

let school: TestSchool;
beforeEach(async () => {
  school = await testSchool();
});
afterEach(() => school.close());

const ferry: ItemBody = {
  parameters: { boats: { from: 3, to: 60 }, seats: { of: [4, 6, 8] } },
  stem: "{boats} ferries carry {seats} people each. How many people is that?",
  contexts: { plain: {} },
  difficultyOffset: "0",
  hint: "",
  solution: "{boats} × {seats} = {boats * seats}",
  parts: [
    {
      id: "a",
      kind: "number",
      answer: "boats * seats",
      right: "x == boats * seats",
      misconceptions: [{ id: "added-instead-of-scaled", value: "boats + seats" }],
    },
  ],
};
const find = async (context: Context, search: Record<string, string> = {}) => finder(context, finderQuery(search));
const newId = () => school.runtime.newId();

async function bankOf(context: Context, name = "Ferry tasks", over: object = {}): Promise<string> {
  return (await makeBank(context, { id: newId(), name, ...over })).bankId;
}
async function draftIn(context: Context, bankId: string, over: object = {}) {
  const itemId = newId();
  const draft = { itemId, bankId, revision: 0, body: ferry, skillIds: ["times-as-many"], ...over };
  const saved = await saveDraft(context, draft);
  return { itemId, draft, saved };
}
async function itemIn(context: Context, bankId: string, over: object = {}) {
  const made = await draftIn(context, bankId, over);
  return { ...made, ...(await putIntoUse(context, { itemId: made.itemId, revision: 1 })) };
}

describe("search", () => {
  it("finds the stock by beginnings of words, with counts of what else tells it apart", async () => {
    const ana = await school.teacher();
    const all = await find(ana);
    expect(all.total).toBeGreaterThan(15);
    expect(all.facets.bank).toEqual([
      { value: "stock", words: "Oxbow's own stock", items: all.total, isChosen: false },
    ]);
    expect(all.facets.kind.reduce((sum, { items }) => sum + items, 0)).toBe(all.total);
    const narrowed = await find(ana, { find: "propor cons" });
    expect(narrowed.total).toBeGreaterThan(0);
    expect(narrowed.total).toBeLessThan(all.total);
    expect(narrowed.items.every(({ skill }) => skill !== "")).toBe(true);
    expect((await find(ana, { find: '"; drop table items; --' })).total).toBe(0);
  });

  it("narrows by grade, kind and standard, and keeps what was chosen when nothing is left", async () => {
    const ana = await school.teacher();
    const seven = await find(ana, { grade: "7" });
    expect(seven.items.every(({ grade }) => grade === 7)).toBe(true);
    const none = await find(ana, { grade: "7", kind: "grid" });
    expect(none.total).toBe(0);
    expect(none.facets.kind).toEqual([{ value: "grid", words: "set points on a grid", items: 0, isChosen: true }]);
  });

  it("follows a crosswalk from a standard to the skills that the other one leads to", async () => {
    const ana = await school.teacher();
    const { standardLinks, standards } = await import("@/db/schema/library");
    const [own] = await school.db.read.select().from(standards);
    const target = (await school.db.read.select().from(standards)).find(({ code }) => code === "WV 7.R2");
    await school.db.write(async (tx) => {
      await tx
        .insert(standards)
        .values({ ...(own as typeof own & object), id: "other", code: "X1", parentId: null } as never);
      await tx
        .insert(standardLinks)
        .values({ id: "tie", fromId: "other", toId: target?.id ?? "", kind: "same", source: "test" });
    });
    const found = await find(ana, { standard: "other" });
    expect(found.standard).toMatchObject({ code: "X1" });
    expect(found.total).toBe((await find(ana, { standard: target?.id ?? "" })).total);
    expect(found.total).toBeGreaterThan(0);
  });

  it("shows a new item, its next version and its retirement at once, and what undo makes of them", async () => {
    const ana = await school.teacher();
    const bankId = await bankOf(ana);
    const { itemId } = await draftIn(ana, bankId);
    expect((await find(ana, { find: "ferries" })).items).toMatchObject([{ id: itemId, isDraft: true, isModel: true }]);
    expect((await find(await school.teacher("ben"), { find: "ferries" })).total).toBe(0);
    const { changeId } = await putIntoUse(ana, { itemId, revision: 1 });
    expect((await find(ana, { find: "ferries" })).items).toMatchObject([{ isDraft: false, skill: "Times as many" }]);
    const retired = await retireItems(ana, { itemIds: [itemId] });
    expect((await find(ana, { find: "ferries" })).total).toBe(0);
    expect((await find(ana, { find: "ferries", retired: "yes" })).total).toBe(1);
    await undoChange(ana, retired.changeId);
    expect((await find(ana, { find: "ferries" })).total).toBe(1);
    await undoChange(ana, changeId);
    expect((await find(ana, { find: "ferries" })).items).toMatchObject([{ isDraft: true }]);
    await retireItems(ana, { itemIds: [itemId] });
    await expect(retireItems(ana, { itemIds: [itemId] })).rejects.toMatchObject({ code: "conflict" });
    await bringItemsBack(ana, { itemIds: [itemId] });
    expect((await find(ana, { find: "ferries" })).total).toBe(1);
  });
});

describe("writing an item", () => {
  it("keeps drafts that lack anything, says what they lack, and puts none of those into use", async () => {
    const ana = await school.teacher();
    const bankId = await bankOf(ana);
    const body = {
      ...ferry,
      stem: "",
      parts: [{ id: "a", kind: "number", answer: "", right: "", misconceptions: [] }],
    };
    const { itemId } = await draftIn(ana, bankId, { body });
    const tried = await tryOut(ana, { itemId, body });
    expect(tried).toMatchObject({
      look: {
        faults: [
          { path: "stem", rule: "required" },
          { path: "parts[0].answer", rule: "required" },
          { path: "parts[0].right", rule: "required" },
        ],
      },
    });
    await expect(putIntoUse(ana, { itemId, revision: 1 })).rejects.toMatchObject({ code: "invalid" });
    await expect(saveDraft(ana, { itemId, bankId, revision: 1, body: { parts: "no" } })).rejects.toMatchObject({
      code: "invalid",
    });
  });

  it("draws variants, tells what is odd about them and judges an answer, without keeping anything", async () => {
    const ana = await school.teacher();
    const itemId = newId();
    const tried = await tryOut(ana, { itemId, body: ferry });
    if (!("look" in tried) || !("variants" in tried.look)) throw new Error("not looked over");
    expect(tried.look.variants).toHaveLength(20);
    expect(tried.look).toMatchObject({ tried: 100, drawn: 100, remarks: [] });
    const [first] = tried.look.variants;
    const given = { seed: first?.seed, context: first?.context };
    const judge = (text: string) =>
      tryOut(ana, { itemId, body: ferry, given: { ...given, response: { a: { text } } } });
    expect(await judge(first?.parts[0]?.keyText ?? "")).toMatchObject({ verdict: "right" });
    expect(await judge("1")).toMatchObject({ verdict: "wrong" });
    expect(await judge("many")).toMatchObject({ verdict: "unreadable" });
    await expect(itemPage(ana, itemId, { seed: 0, versionId: null })).rejects.toMatchObject({ code: "not-allowed" });
  });

  it("refuses what fails in one draw of a thousand, and what never ends", async () => {
    const ana = await school.teacher();
    const bankId = await bankOf(ana);
    const divides = {
      ...ferry,
      parameters: { boats: { from: 0, to: 400 }, seats: { of: [4] } },
      parts: [{ ...ferry.parts[0], answer: "seats / boats", right: "x * boats == seats", misconceptions: [] }],
    };
    const { itemId } = await draftIn(ana, bankId, { body: divides });
    await expect(putIntoUse(ana, { itemId, revision: 1 })).rejects.toThrow(/of 1000 draws do not come out/);
    const endless = { ...ferry, parts: [{ ...ferry.parts[0], answer: "9^9^9^9", right: "x > 0", misconceptions: [] }] };
    await expect(tryOut(ana, { itemId, body: endless })).rejects.toThrow(/takes too long/);
  }, 20_000);

  it("never lets one of two writers save over the other", async () => {
    const ana = await school.teacher();
    const bankId = await bankOf(ana);
    await openBank(ana, { bankId, personId: "ben", level: "change" });
    const ben = await school.teacher("ben");
    const { itemId, draft } = await draftIn(ana, bankId);
    expect((await itemEditor(ben, { itemId, bankId: null, skillId: null })).draft.revision).toBe(1);
    await saveDraft(ben, { ...draft, revision: 1, body: { ...ferry, hint: "Ben's hint" } });
    await expect(saveDraft(ana, { ...draft, revision: 1 })).rejects.toThrow(/Ben Tester saved this item/);
    expect((await itemEditor(ana, { itemId, bankId: null, skillId: null })).draft.body).toMatchObject({
      hint: "Ben's hint",
    });
  });

  it("makes a new version of an item that was answered: old results keep theirs", async () => {
    const { classId, studentIds } = await makeClass(school, 1);
    const ana = await school.teacher();
    const bankId = await bankOf(ana);
    const { itemId, draft } = await itemIn(ana, bankId);
    const assignmentId = await givePractice(school, classId, studentIds, {
      kind: "amount",
      skillIds: ["times-as-many"],
      picked: [{ itemId, skillId: "times-as-many", seed: 5 }],
    });
    const [student = ""] = studentIds;
    await give(school, student, await open(school, student, assignmentId), "right");
    const before = await itemPage(ana, itemId, { seed: 5, versionId: `${itemId}@1` });
    expect(before.versions).toMatchObject([{ number: 1, students: 1 }]);
    const changed = { ...ferry, stem: "{boats} rafts carry {seats} people each." };
    expect(await saveDraft(ana, { ...draft, revision: 0, body: changed })).toEqual({ revision: 1, version: 2 });
    await putIntoUse(ana, { itemId, revision: 1 });
    const after = await itemPage(ana, itemId, { seed: 5, versionId: `${itemId}@1` });
    expect(after.looked).toEqual(before.looked);
    expect((await itemPage(ana, itemId, { seed: 5, versionId: null })).looked?.stem).toContain("rafts");
    // A draft is thrown away without the item.
    await saveDraft(ana, { ...draft, revision: 0, body: ferry });
    expect(await dropDraft(ana, { itemId })).toEqual({ isGone: false });
    expect((await itemPage(ana, itemId, { seed: 5, versionId: null })).versions).toHaveLength(2);
  });

  it("wants a skill before an item is used", async () => {
    const ana = await school.teacher();
    const { itemId } = await draftIn(ana, await bankOf(ana), { skillIds: [] });
    await expect(putIntoUse(ana, { itemId, revision: 1 })).rejects.toThrow(/Choose the skill/);
  });
});

describe("banks", () => {
  it("are seen by nobody until they are opened, read only where they are opened for use", async () => {
    const [ana, ben] = [await school.teacher(), await school.teacher("ben")];
    const bankId = await bankOf(ana);
    const { itemId, draft } = await itemIn(ana, bankId);
    expect((await banksPage(ben)).banks).toEqual([]);
    await expect(bankPage(ben, bankId)).rejects.toMatchObject({ code: "not-allowed" });
    await expect(itemPage(ben, itemId, { seed: 0, versionId: null })).rejects.toMatchObject({ code: "not-allowed" });
    const { changeId } = await openBank(ana, { bankId, personId: "ben", level: "use" });
    expect((await banksPage(ben)).banks).toMatchObject([{ name: "Ferry tasks", owner: "Ana Tester", level: "use" }]);
    expect((await bankPage(ben, bankId)).rights).toEqual([]);
    expect((await find(ben, { find: "ferries" })).items).toMatchObject([{ id: itemId, mayChange: false }]);
    const bensId = await bankOf(ben, "Ben's");
    for (const refused of [
      () => saveDraft(ben, { ...draft, revision: 0 }),
      () => putIntoUse(ben, { itemId, revision: 1 }),
      () => retireItems(ben, { itemIds: [itemId] }),
      () => moveItems(ben, { itemIds: [itemId], bankId: bensId }),
      () => changeBank(ben, { bankId, name: "Mine" }),
      () => openBank(ben, { bankId, personId: "ben", level: "change" }),
      () => putBankAway(ben, { bankId }),
      () => itemEditor(ben, { itemId, bankId: null, skillId: null }),
    ])
      await expect(refused()).rejects.toMatchObject({ code: "not-allowed" });
    const copied = await copyItems(ben, { itemIds: [itemId], bankId: bensId });
    expect((await itemPage(ben, copied.itemIds[0] ?? "", { seed: 3, versionId: null })).looked?.stem).toContain(
      "ferries",
    );
    await undoChange(ana, changeId);
    expect((await find(ben, { find: "ferries", bank: bankId })).total).toBe(0);
  });

  it("show nothing before their day but to those who look after them, and practice never draws from one", async () => {
    const [ana, ben] = [await school.teacher(), await school.teacher("ben")];
    const bankId = await bankOf(ana, "Winter test", { restrictedUntil: "2026-11-30" });
    const { itemId, changeId } = await itemIn(ana, bankId);
    expect(factsOf((await changeById(school.db.read, changeId)) as ChangeRow).facts).toEqual({ line: "", version: 1 });
    await openBank(ana, { bankId, personId: "ben", level: "change" });
    expect((await find(ana, { find: "ferries" })).total).toBe(1);
    expect((await find(ben, { find: "ferries" })).total).toBe(0);
    await expect(itemPage(ben, itemId, { seed: 0, versionId: null })).rejects.toMatchObject({ code: "not-allowed" });
    expect((await banksPage(ben)).banks).toEqual([]);
    expect((await shelfOf(school.runtime, "times-as-many")).versions.some((one) => one.itemId === itemId)).toBe(false);
    school.setNow(Date.parse("2026-11-30T08:00:00Z"));
    expect((await find(ben, { find: "ferries" })).total).toBe(1);
    expect((await shelfOf(school.runtime, "times-as-many")).versions.some((one) => one.itemId === itemId)).toBe(false);
  });

  it("are opened to a whole school or a role there, and closed again", async () => {
    const [ana, cora] = [await school.teacher(), await school.teacher("cora")];
    await expect(makeBank(ana, { id: newId(), name: "School", ofSchool: "yes" })).rejects.toMatchObject({
      code: "not-allowed",
    });
    const bankId = await bankOf(cora, "School", { ofSchool: "yes" });
    expect((await banksPage(ana)).banks).toMatchObject([{ id: bankId, owner: "Test School", level: "use" }]);
    const [right] = (await bankPage(cora, bankId)).rights;
    expect(right).toMatchObject({ who: "everybody of Test School", level: "use" });
    await closeBank(cora, { bankId, rightId: right?.id });
    expect((await banksPage(ana)).banks).toEqual([]);
    await openBank(cora, { bankId, schoolId: school.schoolId, role: "teacher", level: "change" });
    // Ana teaches no class yet.
    expect((await banksPage(ana)).banks).toEqual([]);
    await makeClass(school, 1);
    expect((await banksPage(await school.teacher())).banks).toMatchObject([{ level: "change" }]);
    await expect(openBank(cora, { bankId, schoolId: "elsewhere", level: "use" })).rejects.toMatchObject({
      code: "not-found",
    });
  });

  it("of somebody who left are looked after by the coordinators; nobody is given a right who left", async () => {
    const [ben, cora] = [await school.teacher("ben"), await school.teacher("cora")];
    const bankId = await bankOf(ben, "Ben's");
    await openBank(ben, { bankId, personId: "sam", level: "use" });
    expect((await banksPage(cora)).banks).toEqual([]);
    await archiveStaff(cora, { personId: "sam" });
    expect((await bankPage(ben, bankId)).rights).toMatchObject([{ who: "Sam Tester", hasLeft: true }]);
    await expect(openBank(ben, { bankId, personId: "sam", level: "change" })).rejects.toMatchObject({
      code: "not-found",
    });
    await archiveStaff(cora, { personId: "ben" });
    expect((await banksPage(await school.teacher("cora"))).banks).toMatchObject([{ id: bankId, level: "look-after" }]);
  });

  it("are put away with their items and brought back by undo", async () => {
    const ana = await school.teacher();
    const bankId = await bankOf(ana);
    await itemIn(ana, bankId);
    const { changeId } = await putBankAway(ana, { bankId });
    expect(await banksPage(ana)).toMatchObject({ banks: [], putAway: [{ id: bankId }] });
    expect((await find(ana, { find: "ferries" })).total).toBe(0);
    await undoChange(ana, changeId);
    expect((await find(ana, { find: "ferries" })).total).toBe(1);
  });

  it("are made once however often that is sent, and no student comes near them", async () => {
    const ana = await school.teacher();
    const id = newId();
    expect((await makeBank(ana, { id, name: "One" })).changeId).not.toBeNull();
    expect((await makeBank(ana, { id, name: "One" })).changeId).toBeNull();
    const pupil = school.student("p");
    for (const refused of [
      () => find(pupil),
      () => banksPage(pupil),
      () => tryOut(pupil, {}),
      () => makeBank(pupil, { id: newId(), name: "x" }),
    ])
      await expect(refused()).rejects.toMatchObject({ code: "not-allowed" });
  });
});

describe("notes", () => {
  it("are one's own until they are shared, stay when the thing changes, and are taken back by undo", async () => {
    const [ana, ben] = [await school.teacher(), await school.teacher("ben")];
    const about = { about: "skill", aboutId: "times-as-many" } as const;
    const read = (context: Context) => notesFor(context, "skill", "times-as-many");
    await keepNote(ana, { ...about, text: "Begin with the number line." });
    expect((await read(ana)).own).toEqual({ text: "Begin with the number line.", shared: false });
    expect((await read(ben)).shared).toEqual([]);
    const { changeId } = await keepNote(ana, { ...about, text: "Begin with the number line.", shared: true });
    expect((await read(ben)).shared).toMatchObject([{ by: "Ana Tester", text: "Begin with the number line." }]);
    expect((await keepNote(ana, { ...about, text: "Begin with the number line.", shared: true })).changeId).toBeNull();
    await undoChange(ana, changeId ?? "");
    expect((await read(ben)).shared).toEqual([]);
    await keepNote(ana, { ...about, text: "" });
    expect((await read(ana)).own.text).toBe("");
  });

  it("are kept only on what one may use, by staff alone", async () => {
    const [ana, ben] = [await school.teacher(), await school.teacher("ben")];
    const { itemId } = await itemIn(ana, await bankOf(ana));
    const note = { about: "item", aboutId: itemId, text: "Too easy" };
    await expect(keepNote(ben, note)).rejects.toMatchObject({ code: "not-allowed" });
    await expect(keepNote(school.student("p"), note)).rejects.toMatchObject({ code: "not-allowed" });
    await expect(keepNote(ana, { ...note, about: "skill" })).rejects.toMatchObject({ code: "not-found" });
    await keepNote(ana, note);
    expect((await notesFor(ana, "item", itemId)).own.text).toBe("Too easy");
  });
});
