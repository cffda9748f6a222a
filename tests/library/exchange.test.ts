import { strFromU8, strToU8, unzipSync, zipSync } from "fflate";
import { afterEach, beforeEach, describe, expect, it } from "vitest";
import type { ItemBody, PartBody } from "@/core/items/itemBody";
import { ITEM_KINDS } from "@/core/items/itemKind";
import { currentVersions } from "@/db/queries/items";
import { items as itemTable } from "@/db/schema/items";
import { finderQuery } from "@/features/library/finderQuery";
import { finder } from "@/features/library/reads/finder";
import { itemImportProgress, itemImportState } from "@/features/library/reads/itemImport";
import { itemPage } from "@/features/library/reads/itemPage";
import { takeOut } from "@/features/library/reads/takeOut";
import { makeBank, openBank } from "@/features/library/writes/banks";
import { putIntoUse, saveDraft } from "@/features/library/writes/drafts";
import {
  applyItemImport,
  beginItemImport,
  chooseForImport,
  stopReadingItems,
} from "@/features/library/writes/importItems";
import { takeOutItems } from "@/features/library/writes/takeOutItems";
import { writePackage } from "@/formats/qti/writePackage";
import { undoChange } from "@/server/history/undoChange";
import type { Context } from "@/server/runtime/context";
import { bodyWith } from "../support/newItem";
import { olderItem, outgoing, packageOf, responseTo } from "../support/packages";
import { PARTS } from "../support/partsOfEveryKind";
import { type TestSchool, testSchool } from "../support/school";

let school: TestSchool;
let ana: Context;
let bankId: string;
beforeEach(async () => {
  school = await testSchool();
  ana = await school.teacher();
  ({ bankId } = await makeBank(ana, { id: school.runtime.newId(), name: "Boats" }));
});
afterEach(() => school.close());

const bytesOf = (text: string) => new TextEncoder().encode(text);
const ALL = { show: "all", from: 0 } as const;

/** Waits until a file is read. */
async function ready(context: Context, draftId: string) {
  for (;;) {
    const state = await itemImportState(context, draftId, ALL);
    if (state.state === "ready") return state.view;
    if (state.state !== "reading") throw new Error(JSON.stringify(state));
    expect((await itemImportProgress(context, draftId)).state).toMatch(/reading|ended/);
  }
}
async function bring(context: Context, bytes: Uint8Array, over: object = {}) {
  const draftId = await beginItemImport(context, { bankId, fileName: "items", bytes, ...over });
  const view = await ready(context, draftId);
  const fates = view.lines.map(({ at, fate, sentences }) => [at, fate, ...sentences].join(" | "));
  return { draftId, view, fates, apply: () => applyItemImport(context, { draftId, fingerprint: view.fingerprint }) };
}
async function inUse(body: ItemBody, into = bankId): Promise<string> {
  const itemId = school.runtime.newId();
  await saveDraft(ana, {
    itemId,
    bankId: into,
    revision: 0,
    body,
    skillIds: ["times-as-many"],
    depth: 2,
    calculator: true,
  });
  await putIntoUse(ana, { itemId, revision: 1 });
  return itemId;
}
const inBank = async (id: string) =>
  (await school.db.read.select().from(itemTable)).filter((item) => item.bankId === id);

const SHEET = [
  "Question,Answer,Wrong 1,Mistake 1,Skill,Standards,Depth",
  "3 boats with 4 seats?,12,7,added-instead-of-scaled,times-as-many,,2",
  "Half of 10?,5,,,,WV 7.R2,",
  "What is a ratio?,a comparison,,,,,",
  "Which?,,1,,,,",
  "5 + 5?,10,9,thinks-of-rain,No such skill,X.1,9",
].join("\n");

describe("a sheet of items", () => {
  it("shows what would become of each row, and brings it in as one change that can be undone", async () => {
    const { view, fates, apply } = await bring(ana, bytesOf(SHEET));
    expect(fates).toEqual([
      "2 | in-use",
      "3 | in-use",
      "4 | draft | It says no skill: choose one for the file, or it comes as a draft.",
      "5 | left-out | Nothing says which answer is right.",
      "6 | draft | It says no skill: choose one for the file, or it comes as a draft. | “9” could not be read and is left out. | The misconception “thinks-of-rain” is not known here; the wrong answer stays without it. | No skill here is called “No such skill”. | No standard here has the code X.1.",
    ]);
    expect(view.counts).toMatchObject({ "in-use": 2, draft: 2, "left-out": 1 });
    expect(await inBank(bankId)).toEqual([]);
    const { changeId } = await apply();
    const found = await finder(ana, finderQuery({ bank: bankId, find: "seats" }));
    expect(found.items).toMatchObject([{ skill: "Times as many", isDraft: false, depth: 2 }]);
    const page = await itemPage(ana, found.items[0]?.id ?? "", { seed: 0, versionId: null });
    expect(page.mistakes).toHaveLength(1);
    expect((await inBank(bankId)).length).toBe(4);
    await undoChange(ana, changeId);
    expect(await inBank(bankId)).toEqual([]);
  });

  it("puts rows without a skill under the one chosen for the file", async () => {
    const { draftId } = await bring(ana, bytesOf(SHEET));
    await chooseForImport(ana, { draftId, bankId, skillId: "times-as-many" });
    expect((await ready(ana, draftId)).counts).toMatchObject({ "in-use": 4, draft: 0 });
    await expect(chooseForImport(ana, { draftId, bankId, skillId: "nothing" })).rejects.toMatchObject({
      code: "not-found",
    });
  });

  it("changed and brought in again, makes new versions of what changed and of nothing else", async () => {
    await (await bring(ana, bytesOf(SHEET))).apply();
    const out = await takeOutItems(ana, { bankId, format: "csv" });
    const text = new TextDecoder().decode(out.bytes);
    const again = await bring(ana, out.bytes);
    expect(again.view.counts).toMatchObject({ unchanged: 2, "in-use": 0, "new-version": 0 });
    await expect(again.apply()).rejects.toMatchObject({ code: "invalid" });
    const changed = await bring(ana, bytesOf(text.replace("Half of 10?", "Half of ten?")));
    expect(changed.view.counts).toMatchObject({ unchanged: 1, "new-version": 1 });
    await changed.apply();
    const versions = await currentVersions(
      school.db.read,
      (await inBank(bankId)).map(({ id }) => id),
    );
    expect(versions.map(({ number }) => number).sort()).toEqual([1, 2]);
  });

  it("is applied once, however often it is sent, and not after the library changed", async () => {
    const { draftId, view, apply } = await bring(ana, bytesOf(SHEET));
    const other = await bring(ana, bytesOf(SHEET.replaceAll("boats", "ships")));
    await chooseForImport(ana, { draftId, bankId, skillId: "times-as-many" });
    await expect(apply()).rejects.toMatchObject({ code: "conflict" });
    const { fingerprint } = await ready(ana, draftId);
    expect(fingerprint).not.toBe(view.fingerprint);
    const [one, two] = [
      await applyItemImport(ana, { draftId, fingerprint }),
      await applyItemImport(ana, { draftId, fingerprint }),
    ];
    expect(two).toEqual(one);
    expect((await itemImportState(ana, draftId, ALL)).state).toBe("applied");
    await other.apply();
    expect((await inBank(bankId)).length).toBe(8);
  });
});

describe("a bank of every kind", () => {
  it("goes out as a package and comes in at another bank as it was, drawn anew as before", async () => {
    const sound = ITEM_KINDS.filter((kind) => kind !== "short-text");
    for (const kind of sound) await inUse(bodyWith(PARTS[kind]));
    const out = await takeOutItems(ana, { bankId, format: "package" });
    expect(out.name).toBe("Boats.zip");
    const { bankId: other } = await makeBank(ana, { id: school.runtime.newId(), name: "Others" });
    const { view, apply } = await bring(ana, out.bytes, { bankId: other });
    expect(view.title).toBe("Boats");
    expect(view.counts["in-use"]).toBe(sound.length);
    expect(view.lines.flatMap(({ sentences }) => sentences)).toEqual([]);
    await apply();
    const came = await currentVersions(
      school.db.read,
      (await inBank(other)).map(({ id }) => id),
    );
    const went = await currentVersions(
      school.db.read,
      (await inBank(bankId)).map(({ id }) => id),
    );
    const plain = (versions: typeof came) =>
      versions
        .map(({ body, depth, calculator, language }) => JSON.stringify([body, depth, calculator, language]))
        .sort();
    expect(plain(came)).toEqual(plain(went));
    // The same package once more: everything is there already.
    expect((await bring(ana, out.bytes, { bankId: other })).view.counts.unchanged).toBe(sound.length);
  });

  it("says before it goes what other programs make of it", async () => {
    await inUse(bodyWith(PARTS.expression));
    await inUse({
      ...bodyWith(PARTS.number),
      parameters: {},
      stem: "3 + 4?",
      hint: "",
      solution: "",
      parts: [{ id: "a", kind: "number", answer: "7", right: "x == 7", misconceptions: [] } as PartBody],
    });
    const view = await takeOut(ana, { itemIds: [], bankId });
    expect(view).toMatchObject({
      items: 2,
      models: 1,
      narrower: 1,
      rows: 1,
      withoutRow: [{ kind: expect.any(String) }],
    });
  });
});

describe("a package with problems", () => {
  const choice = (key: string, more = "") =>
    olderItem({
      declarations: responseTo([key]),
      body: `<p>Which? ${more}</p><choiceInteraction responseIdentifier="RESPONSE" maxChoices="1"><simpleChoice identifier="A">1</simpleChoice><simpleChoice identifier="B">2</simpleChoice></choiceInteraction>`,
    });
  const withId = (text: string, id: string) => text.replace('identifier="boats-1"', `identifier="${id}"`);

  it("takes what it can, says why not of the rest, and keeps the documents of what lost something", async () => {
    const lossy = withId(choice("A", '<img src="b.png" alt="a boat"/>'), "lossy");
    const bytes = packageOf(
      { "good.xml": choice("A"), "lossy.xml": lossy, "bad.xml": withId(choice("C"), "bad") },
      { "b.png": "x" },
    );
    const { fates, view, apply } = await bring(ana, bytes, { skillId: "times-as-many" });
    expect(fates).toEqual([
      "good.xml | in-use",
      "lossy.xml | in-use | A picture is left out; its description stands in the text.",
      "bad.xml | left-out | The right answer “C” is not among the answers.",
    ]);
    expect(view.unread).toEqual(["b.png"]);
    expect(view.notWhole).toBe(1);
    await apply();
    const { bytes: out } = await takeOutItems(ana, { bankId, format: "package" });
    const originals = Object.entries(unzipSync(out)).filter(([name]) => name.startsWith("originals/"));
    expect(originals.map(([, text]) => strFromU8(text))).toEqual([lossy]);
  });

  it("stops an expression that never ends, and what does not draw comes as a draft", async () => {
    const endless = bodyWith({ ...PARTS.number, answer: "9 ^ 9 ^ 9 ^ 9 ^ n", right: "x > 0" } as PartBody);
    const torn = bodyWith({ ...PARTS.number, answer: "12 / (n - 5)", right: "x == 12 / (n - 5)" } as PartBody);
    const files = unzipSync(
      writePackage(
        "P",
        ["one", "two"].map((id) => ({ ...outgoing(id, bodyWith(PARTS.number)), standards: [] })),
      ),
    );
    for (const [name, body] of [
      ["sources/one.json", endless],
      ["sources/two.json", torn],
    ] as const) {
      const source = JSON.parse(strFromU8(files[name] ?? new Uint8Array()));
      files[name] = strToU8(JSON.stringify({ ...source, body }));
    }
    const { fates } = await bring(ana, zipSync(files));
    expect(fates.map((fate) => fate.replace(/items\/|\.xml/g, ""))).toEqual([
      "one | draft | Working it out takes too long: mend it in the editor.",
      "two | draft | Not every draw of it comes out: mend it in the editor.",
    ]);
  }, 30_000);

  it("that is none says so", async () => {
    const stateOf = async (bytes: Uint8Array) => {
      const draftId = await beginItemImport(ana, { bankId, fileName: "x", bytes });
      for (;;) {
        const state = await itemImportState(ana, draftId, ALL);
        if (state.state !== "reading") return state;
      }
    };
    expect(await stateOf(zipSync({ "a.txt": strToU8("a") }))).toMatchObject({
      state: "failed",
      message: expect.stringContaining("imsmanifest.xml"),
    });
    expect(await stateOf(bytesOf("A,B\n1,2"))).toMatchObject({
      state: "failed",
      message: expect.stringContaining("Question"),
    });
    await expect(beginItemImport(ana, { bankId, fileName: "x", bytes: new Uint8Array() })).rejects.toMatchObject({
      code: "invalid",
    });
  });

  it("can be stopped while it is read", async () => {
    const draftId = await beginItemImport(ana, { bankId, fileName: "x", bytes: bytesOf(SHEET) });
    const first = itemImportState(ana, draftId, ALL);
    await stopReadingItems(ana, { draftId });
    expect((await first).state).toMatch(/reading|failed|ready/);
    expect((await ready(ana, draftId)).lines).toHaveLength(5);
  });
});

it("only those who may change a bank bring something into it, and only its users take it out", async () => {
  const id = await inUse(bodyWith(PARTS.number));
  const ben = await school.teacher("ben");
  await expect(beginItemImport(ben, { bankId, fileName: "x", bytes: bytesOf(SHEET) })).rejects.toMatchObject({
    code: "not-allowed",
  });
  await expect(takeOutItems(ben, { itemIds: [id], format: "package" })).rejects.toMatchObject({ code: "not-allowed" });
  await openBank(ana, { bankId, personId: "ben", level: "use" });
  expect(
    (await takeOutItems(await school.teacher("ben"), { itemIds: [id], format: "package" })).bytes.length,
  ).toBeGreaterThan(500);
});
