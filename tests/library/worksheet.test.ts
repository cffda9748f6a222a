import { createElement } from "react";
import { renderToStaticMarkup } from "react-dom/server";
import { afterEach, beforeEach, describe, expect, it } from "vitest";
import { drawItem } from "@/core/items/drawItem";
import { ITEM_KINDS } from "@/core/items/itemKind";
import { lookedItem } from "@/core/items/lookOver";
import { optionTexts } from "@/core/items/optionTexts";
import { worksheet } from "@/features/library/reads/worksheet";
import { PrintedPart } from "@/features/library/view/print/prints";
import { worksheetWishes } from "@/features/library/worksheetTypes";
import { makeBank } from "@/features/library/writes/banks";
import { saveDraft } from "@/features/library/writes/drafts";
import { bodyWith, putItem } from "../support/newItem";
import { PARTS } from "../support/partsOfEveryKind";
import { makeClass, type TestSchool, testSchool } from "../support/school";

let school: TestSchool;
beforeEach(async () => {
  school = await testSchool();
});
afterEach(() => school.close());

const wishes = (search: Record<string, string>) =>
  worksheetWishes({ items: "times-as-many%2Ffind-the-larger~made", ...search });

describe("a worksheet", () => {
  beforeEach(() => putItem(school, "made", bodyWith(PARTS.number)));

  it("has a sheet for each version, other numbers on each, and the same ones when it is opened again", async () => {
    const ana = await school.teacher();
    const view = await worksheet(ana, wishes({ forms: "3", class: "" }));
    expect(view.sheets.map(({ letter, name }) => [letter, name])).toEqual([
      ["A", null],
      ["B", null],
      ["C", null],
    ]);
    const keys = view.forms.map(({ items }) => items.map(({ parts }) => parts[0]?.keyText).join());
    expect(new Set(keys).size).toBe(3);
    expect(await worksheet(ana, wishes({ forms: "3" }))).toEqual(view);
    const other = await worksheet(ana, wishes({ forms: "3", seed: "1000" }));
    expect(other.code).not.toBe(view.code);
    expect(view.sheets.every(({ qr }) => qr.startsWith("data:image/png"))).toBe(true);
  });

  it("is printed for each student of a class, versions turn about, to those who see the class alone", async () => {
    const { classId } = await makeClass(school, 5);
    const view = await worksheet(await school.teacher(), wishes({ forms: "2", class: classId }));
    expect(view.sheets.map(({ letter }) => letter).join("")).toBe("ABABA");
    const names = view.sheets.map(({ name }) => name ?? "");
    expect(names).toEqual([...names].sort((x, y) => x.localeCompare(y)));
    expect(new Set(view.sheets.map(({ qr }) => qr)).size).toBe(5);
    await expect(worksheet(await school.teacher("ben"), wishes({ class: classId }))).rejects.toMatchObject({
      code: "not-allowed",
    });
  });

  it("leaves out drafts and says so; of nothing, and of another's bank, there is none", async () => {
    const ana = await school.teacher();
    const bankId = school.runtime.newId();
    const itemId = school.runtime.newId();
    await makeBank(ana, { id: bankId, name: "Own" });
    await saveDraft(ana, { itemId, bankId, revision: 0, body: bodyWith(PARTS.number) });
    expect(await worksheet(ana, wishes({ items: `made~${itemId}` }))).toMatchObject({ leftOut: 1 });
    await expect(worksheet(ana, wishes({ items: "" }))).rejects.toMatchObject({ code: "invalid" });
    const ben = await school.teacher("ben");
    await expect(worksheet(ben, wishes({ items: `made~${itemId}` }))).rejects.toMatchObject({ code: "not-allowed" });
    await expect(worksheet(school.student("p"), wishes({}))).rejects.toMatchObject({ code: "not-allowed" });
  });
});

it("reads wishes of any address, and keeps them within bounds", () => {
  expect(worksheetWishes({ forms: "99", columns: "7", lines: "-4", seed: "x", key: "no" })).toEqual({
    itemIds: [],
    forms: 4,
    columns: 1,
    lines: 0,
    seed: 0,
    withKey: false,
    classId: null,
    workId: null,
  });
});

it.each(ITEM_KINDS)("a part of the kind %s has a form on paper with everything to choose from", (kind) => {
  const item = drawItem({ id: "t@1", itemId: "t", body: bodyWith(PARTS[kind]) }, 3);
  const [part] = lookedItem(item).parts;
  const paper = renderToStaticMarkup(createElement(PrintedPart, { kind, shown: part?.shown }));
  expect(paper).not.toBe("");
  const text = paper.replace(/<[^>]*>/g, "");
  for (const option of optionTexts(item)) expect(text.replace(/\s+/g, "")).toContain(option.replace(/[\s/]+/g, ""));
});
