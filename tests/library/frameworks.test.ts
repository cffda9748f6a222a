import { afterEach, beforeEach, describe, expect, it } from "vitest";
import { itemStandards } from "@/db/schema/items";
import { frameworkFile } from "@/features/library/reads/frameworkFile";
import { frameworkImportState } from "@/features/library/reads/frameworkImport";
import { skillCards } from "@/features/library/reads/skills";
import { standardsPage } from "@/features/library/reads/standards";
import {
  applyFrameworkImport,
  beginFrameworkImport,
  chooseSubject,
  followFramework,
} from "@/features/library/writes/importFramework";
import { readCase } from "@/formats/standards/readCase";
import { undoChange } from "@/server/history/undoChange";
import type { Context } from "@/server/runtime/context";
import { type TestSchool, testSchool } from "../support/school";

let school: TestSchool;
let cora: Context;
beforeEach(async () => {
  school = await testSchool();
  cora = await school.teacher("cora");
});
afterEach(() => school.close());

const node = (identifier: string) => ({ title: "t", identifier, uri: `https://standards.example/${identifier}` });
const tie = (from: string, associationType: string, to: string, sequenceNumber?: number) => ({
  identifier: `${from}-${associationType}-${to}`,
  uri: `https://standards.example/a/${from}-${to}`,
  associationType,
  originNodeURI: node(from),
  destinationNodeURI: node(to),
  ...(sequenceNumber === undefined ? {} : { sequenceNumber }),
});
const item = (identifier: string, humanCodingScheme: string, fullStatement: string, over: object = {}) => ({
  identifier,
  uri: "u",
  humanCodingScheme,
  fullStatement,
  educationLevel: ["06"],
  ...over,
});
const edition = () => ({
  CFDocument: {
    identifier: "doc",
    uri: "u",
    creator: "Board",
    title: "Estuary Goals",
    version: "1",
    language: "en",
    officialSourceURL: "x",
  },
  CFItems: [
    item("top", "E", "Estuary"),
    item("one", "E.1", "Row together.", { notes: "kept" }),
    item("two", "E.2", "Read the tide."),
    item("three", "", "A heading without a code."),
    item("four", "", "Another one."),
  ],
  CFAssociations: [
    tie("one", "isChildOf", "top", 1),
    tie("two", "isChildOf", "top", 2),
    tie("three", "isChildOf", "top", 3),
    tie("four", "isChildOf", "top", 4),
    tie("one", "precedes", "two"),
    tie("two", "isRelatedTo", "nowhere"),
    tie("two", "exemplar", "one"),
  ],
  CFRubrics: [{ identifier: "r" }],
});
const bytes = (value: unknown) => new TextEncoder().encode(typeof value === "string" ? value : JSON.stringify(value));

async function look(value: unknown, context = cora) {
  const draftId = await beginFrameworkImport(context, { fileName: "goals.json", bytes: bytes(value) });
  for (;;) {
    const state = await frameworkImportState(context, draftId);
    if (state.state === "ready")
      return {
        draftId,
        view: state.view,
        apply: () => applyFrameworkImport(context, { draftId, fingerprint: state.view.fingerprint }),
      };
    if (state.state !== "reading") throw new Error(JSON.stringify(state));
  }
}
const packageOf = (file: { bytes: Uint8Array }) => {
  const found = readCase(file.bytes);
  if (!found.ok) throw new Error(JSON.stringify(found.faults));
  return found.package;
};

describe("a framework from a standards file", () => {
  it("is new here, comes in as a tree, and goes out again with all that its file said", async () => {
    const { view, apply } = await look(edition());
    expect(view).toMatchObject({ isNew: true, entries: 5, counts: { added: 5 }, links: { added: 1, elsewhere: 1 } });
    const { frameworkId, changeId } = await apply();
    const page = await standardsPage(await school.teacher(), frameworkId);
    expect(page.framework).toMatchObject({ skills: 0, isFollowed: false });
    expect(page.standards.map(({ code, statement }) => code || statement)).toEqual([
      "E",
      "E.1",
      "E.2",
      "A heading without a code.",
      "Another one.",
    ]);
    expect(packageOf(await frameworkFile(cora, frameworkId))).toEqual(packageOf({ bytes: bytes(edition()) }));
    await undoChange(cora, changeId);
    await expect(standardsPage(cora, frameworkId)).rejects.toMatchObject({ code: "not-found" });
  });

  it("is known again in its next edition: changed, moved and gone, and what something stands under is kept out of sight", async () => {
    const { frameworkId } = await (await look(edition())).apply();
    expect((await look(edition())).view).toMatchObject({
      isNew: false,
      counts: { added: 0, changed: 0, gone: 0 },
      isReordered: false,
    });
    const { standards } = await standardsPage(cora, frameworkId);
    const twoId = standards.find(({ code }) => code === "E.2")?.id ?? "";
    await school.db.write((tx) =>
      tx
        .insert(itemStandards)
        .values({ id: "x", itemId: "times-as-many/find-the-larger", standardId: twoId })
        .then(() => undefined),
    );
    const next = edition();
    next.CFItems = [
      item("top", "E", "Estuary"),
      item("five", "E.5", "Moor."),
      item("one", "E.1a", "Row in time."),
      item("three", "", "A heading without a code."),
    ];
    next.CFAssociations = [
      tie("five", "isChildOf", "top", 1),
      tie("three", "isChildOf", "top", 2),
      tie("one", "isChildOf", "three", 1),
    ];
    const { view, apply } = await look(next);
    expect(view.counts).toEqual({ added: 1, changed: 1, gone: 1, kept: 1 });
    expect(view.lines.find(({ what }) => what === "changed")?.detail).toBe(
      "code before: E.1; before: Row together.; changed: what it stands under",
    );
    const { changeId } = await apply();
    const codes = async () =>
      (await standardsPage(cora, frameworkId)).standards.map(({ code, statement }) => code || statement);
    expect(await codes()).toEqual(["E", "E.5", "A heading without a code.", "E.1a"]);
    await undoChange(cora, changeId);
    expect(await codes()).toEqual(["E", "E.1", "E.2", "A heading without a code.", "Another one."]);
  });

  it("says what is wrong with a file, and leaves what ships alone", async () => {
    const round = edition();
    round.CFAssociations = [tie("one", "isChildOf", "two"), tie("two", "isChildOf", "one")];
    await expect(look(round)).rejects.toThrow("stands under itself");
    await expect(look("{")).rejects.toThrow("no JSON");
    const own = await frameworkFile(cora, "weir-valley");
    const { view, apply } = await look(new TextDecoder().decode(own.bytes));
    expect(view).toMatchObject({ isNew: false, isShipped: true, counts: { added: 0, changed: 0, gone: 0 } });
    await expect(apply()).rejects.toMatchObject({ code: "invalid" });
  });

  it("asks for the subject where there are several, and is for coordinators", async () => {
    const { subjects } = await import("@/db/schema/library");
    await school.db.write((tx) =>
      tx
        .insert(subjects)
        .values({ id: "language", name: "Language" })
        .then(() => undefined),
    );
    const { view, draftId, apply } = await look(edition());
    expect(view.subjectId).toBeNull();
    await expect(apply()).rejects.toMatchObject({ code: "invalid" });
    await chooseSubject(cora, { draftId, subjectId: "language" });
    const again = await frameworkImportState(cora, draftId);
    const fingerprint = again.state === "ready" ? again.view.fingerprint : "";
    await applyFrameworkImport(cora, { draftId, fingerprint });
    await expect(look(edition(), await school.teacher())).rejects.toMatchObject({ code: "not-allowed" });
  });
});

describe("a crosswalk", () => {
  it("lets work for one framework report in another, once the school follows that", async () => {
    const ana = await school.teacher();
    const codeOf = async (id: string) => (await skillCards(ana)).find((card) => card.id === id)?.code;
    expect(await codeOf("times-as-many")).toBe("WV 4.R1");
    const { changeId } = await followFramework(cora, { frameworkId: "tidewater" });
    expect(await codeOf("times-as-many")).toBe("TO C-2a");
    expect(await codeOf("ratio-tables")).toBe("TO C-3b");
    expect(await codeOf("constant-of-proportionality")).toBe("TO C-3c");
    const page = await standardsPage(ana, null);
    expect(page.framework).toMatchObject({ title: "Tidewater Outline", isFollowed: true });
    expect(page.framework.skills).toBe(page.framework.ofSkills);
    const goal = page.standards.find(({ code }) => code === "TO C-1b");
    expect(goal?.skills.map(({ via }) => via)).toEqual(["related", "related"]);
    expect(goal?.ties.map(({ code }) => code).sort()).toEqual(["WV 5.R1", "WV 6.R6"]);
    await expect(followFramework(cora, { frameworkId: "tidewater" })).rejects.toMatchObject({ code: "conflict" });
    await undoChange(cora, changeId);
    expect(await codeOf("times-as-many")).toBe("WV 4.R1");
    await expect(followFramework(ana, { frameworkId: "tidewater" })).rejects.toMatchObject({ code: "not-allowed" });
  });
});
