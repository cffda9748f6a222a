import { afterEach, beforeEach, describe, expect, it } from "vitest";
import { finderQuery } from "@/features/library/finderQuery";
import { itemEditor } from "@/features/library/reads/editor";
import { finder } from "@/features/library/reads/finder";
import { itemImportState } from "@/features/library/reads/itemImport";
import { itemPage } from "@/features/library/reads/itemPage";
import { passagePage, passagesPage, passageText } from "@/features/library/reads/passages";
import { worksheet } from "@/features/library/reads/worksheet";
import { worksheetWishes } from "@/features/library/worksheetTypes";
import { changeBank, makeBank, openBank } from "@/features/library/writes/banks";
import { putIntoUse, saveDraft } from "@/features/library/writes/drafts";
import { applyItemImport, beginItemImport } from "@/features/library/writes/importItems";
import { keepPassage, paragraphsOf, retirePassage } from "@/features/library/writes/passages";
import { takeOutItems } from "@/features/library/writes/takeOutItems";
import { undoChange } from "@/server/history/undoChange";
import type { Context } from "@/server/runtime/context";
import { bodyWith } from "../support/newItem";
import { PARTS } from "../support/partsOfEveryKind";
import { givePractice, makeClass, open, type TestSchool, testSchool } from "../support/school";

let school: TestSchool;
let ana: Context;
let bankId: string;
let passageId: string;
const TEXT = "The tide comes in.\n\n  The boats   rise.\n";
beforeEach(async () => {
  school = await testSchool();
  ana = await school.teacher();
  ({ bankId } = await makeBank(ana, { id: school.runtime.newId(), name: "Boats" }));
  passageId = school.runtime.newId();
  await keepPassage(ana, { passageId, bankId, title: "The tide", topic: "sea", text: TEXT });
});
afterEach(() => school.close());

async function itemOn(passage: string | null, into = bankId): Promise<string> {
  const itemId = school.runtime.newId();
  const draft = {
    itemId,
    bankId: into,
    revision: 0,
    body: bodyWith(PARTS.number),
    skillIds: ["times-as-many"],
    passageId: passage,
  };
  await saveDraft(ana, draft);
  await putIntoUse(ana, { itemId, revision: 1 });
  return itemId;
}

describe("a passage", () => {
  it("is kept in paragraphs, and changed by a further version that everybody reads", async () => {
    expect(paragraphsOf(TEXT)).toEqual(["The tide comes in.", "The boats rise."]);
    const again = await keepPassage(ana, { passageId, title: "The tide", topic: "sea", text: TEXT });
    expect(again).toEqual({ changeId: null, version: 1 });
    const { changeId, version } = await keepPassage(ana, { passageId, title: "The tide", text: "It goes out." });
    expect(version).toBe(2);
    const page = await passagePage(ana, passageId);
    expect(page).toMatchObject({ version: 2, paragraphs: ["It goes out."], topic: "", words: 3, mayChange: true });
    expect(page.versions.map(({ number }) => number)).toEqual([2, 1]);
    await undoChange(ana, changeId ?? "");
    expect((await passagePage(ana, passageId)).paragraphs).toHaveLength(2);
    await expect(keepPassage(ana, { passageId, title: " ", text: "x" })).rejects.toMatchObject({ code: "invalid" });
  });

  it("is found by how many items hang on it, also of other banks; retired, it is offered to nobody and stays where it is", async () => {
    const { bankId: other } = await makeBank(ana, { id: school.runtime.newId(), name: "Others" });
    const [one, two] = [await itemOn(passageId), await itemOn(passageId, other)];
    const bare = school.runtime.newId();
    await keepPassage(ana, { passageId: bare, bankId, title: "A lock", text: "It opens." });
    const { passages } = await passagesPage(ana);
    expect(passages.map(({ title, items }) => `${title} ${items}`)).toEqual(["The tide 2", "A lock 0"]);
    expect((await passagePage(ana, passageId)).items.map(({ id }) => id).sort()).toEqual([one, two].sort());
    await retirePassage(ana, { passageId });
    expect((await passagesPage(ana)).passages.map(({ title }) => title)).toEqual(["A lock"]);
    expect((await itemPage(ana, one, { seed: 0, versionId: null })).passageText?.title).toBe("The tide");
    await expect(retirePassage(ana, { passageId })).rejects.toMatchObject({ code: "conflict" });
    // What hangs on it keeps it while it is changed.
    const editor = await itemEditor(ana, { itemId: one, bankId: null, skillId: null });
    expect(editor).toMatchObject({ passage: { id: passageId, title: "The tide" }, draft: { passageId } });
    expect(editor.passages.map(({ id }) => id)).toContain(passageId);
    expect((await passagesPage(ana)).retired).toEqual([{ id: passageId, title: "The tide", bank: "Boats" }]);
    expect((await passagesPage(await school.teacher("ben"))).retired).toEqual([]);
    await retirePassage(ana, { passageId, back: true });
    expect(await passagesPage(ana)).toMatchObject({ retired: [], passages: [{ title: "The tide" }, {}] });
    await expect(retirePassage(ana, { passageId, back: true })).rejects.toMatchObject({ code: "conflict" });
  });

  it("finds its items: by its title, as a facet with counts, and grouped", async () => {
    const one = await itemOn(passageId);
    await itemOn(null);
    const find = (search: Record<string, string>) => finder(ana, finderQuery({ bank: bankId, ...search }));
    const byWords = await find({ find: "tide" });
    expect(byWords.items.map(({ id, passage }) => [id, passage])).toEqual([[one, "The tide"]]);
    expect((await find({})).facets.passage).toEqual([
      { value: passageId, words: "The tide", items: 1, isChosen: false },
    ]);
    expect((await find({ passage: passageId })).total).toBe(1);
    expect((await find({ order: "passage" })).items[0]?.id).toBe(one);
    // Another title is another word to be found by.
    await keepPassage(ana, { passageId, title: "The ebb", text: "It goes out." });
    expect((await find({ find: "tide" })).total).toBe(0);
    expect((await find({ find: "ebb" })).total).toBe(1);
  });

  it("is read by the student before the question, and printed once for all that hang on it", async () => {
    const { classId, studentIds } = await makeClass(school, 1);
    const items = [await itemOn(passageId), await itemOn(passageId)];
    const workId = await givePractice(school, classId, studentIds, {
      kind: "amount",
      skillIds: ["times-as-many"],
      picked: items.map((itemId) => ({ itemId, skillId: "times-as-many", seed: 5 })),
    });
    const sitting = await open(school, studentIds[0] ?? "", workId);
    expect(sitting.current?.passage).toEqual({
      title: "The tide",
      paragraphs: ["The tide comes in.", "The boats rise."],
    });
    const sheet = await worksheet(ana, worksheetWishes({ items: items.join("~") }));
    expect(sheet.passages.map((passage) => passage?.id)).toEqual([passageId, passageId]);
  });

  it("of a restricted bank is nobody's to write on before its day", async () => {
    await changeBank(ana, { bankId, name: "Boats", restrictedUntil: "2026-12-24" });
    const ben = await school.teacher("ben");
    await expect(passagePage(ben, passageId)).rejects.toMatchObject({ code: "not-allowed" });
    await expect(passageText(ben, passageId)).rejects.toMatchObject({ code: "not-allowed" });
    const { bankId: own } = await makeBank(ben, { id: school.runtime.newId(), name: "Ben's" });
    const draft = { itemId: school.runtime.newId(), bankId: own, revision: 0, body: bodyWith(PARTS.number), passageId };
    await expect(saveDraft(ben, draft)).rejects.toMatchObject({ code: "not-allowed" });
    const editor = await itemEditor(ben, { itemId: null, bankId: own, skillId: null });
    expect(editor.passages).toEqual([]);
  });

  it("counts for each only the items that they see, and stays on an item whose author may not use its bank any more", async () => {
    await openBank(ana, { bankId, personId: "ben", level: "use" });
    const ben = await school.teacher("ben");
    const { bankId: own } = await makeBank(ben, { id: school.runtime.newId(), name: "Ben's" });
    const itemId = school.runtime.newId();
    const draft = { itemId, bankId: own, revision: 0, body: bodyWith(PARTS.number), passageId };
    await saveDraft(ben, draft);
    const itemsSeen = async (context: Context) => (await passagesPage(context)).passages.map(({ items }) => items);
    expect([await itemsSeen(ben), await itemsSeen(ana)]).toEqual([[1], [0]]);
    await changeBank(ana, { bankId, name: "Boats", restrictedUntil: "2026-12-24" });
    expect(await saveDraft(ben, { ...draft, revision: 1, depth: 2 })).toMatchObject({ revision: 2 });
  });

  it("goes out with its items and comes in with them, once, and as a further version when its words are others", async () => {
    await itemOn(passageId);
    await itemOn(passageId);
    const { bankId: other } = await makeBank(ana, { id: school.runtime.newId(), name: "Others" });
    const bring = async () => {
      const { bytes } = await takeOutItems(ana, { bankId, format: "package" });
      const draftId = await beginItemImport(ana, { bankId: other, fileName: "boats.zip", bytes });
      for (;;) {
        const state = await itemImportState(ana, draftId, { show: "all", from: 0 });
        if (state.state === "ready") return { view: state.view, draftId };
        expect(state.state).toBe("reading");
      }
    };
    const first = await bring();
    expect(first.view).toMatchObject({ counts: { "in-use": 2 }, passages: { added: 1, changed: 0 } });
    await applyItemImport(ana, { draftId: first.draftId, fingerprint: first.view.fingerprint });
    const came = (await passagesPage(ana)).passages.filter(({ bank }) => bank.id === other);
    expect(came.map(({ title, items }) => [title, items])).toEqual([["The tide", 2]]);
    expect((await bring()).view).toMatchObject({ counts: { unchanged: 2 }, passages: { added: 0, changed: 0 } });
    await keepPassage(ana, { passageId, title: "The tide", text: "It goes out." });
    const next = await bring();
    expect(next.view).toMatchObject({ counts: { unchanged: 2 }, passages: { added: 0, changed: 1 } });
    await applyItemImport(ana, { draftId: next.draftId, fingerprint: next.view.fingerprint });
    expect(await passagePage(ana, came[0]?.id ?? "")).toMatchObject({ version: 2, paragraphs: ["It goes out."] });
  });
});
