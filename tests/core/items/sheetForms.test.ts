import { expect, it } from "vitest";
import { sheetForms } from "@/core/items/sheetForms";
import { bodyWith } from "../../support/newItem";
import { PARTS } from "../../support/partsOfEveryKind";

const version = (id: string, over: object = {}) => ({
  id: `${id}@1`,
  itemId: id,
  body: { ...bodyWith(PARTS.number), ...over },
});

it("gives every form another draw of each item, in the given order, and the same ones for the same seed", () => {
  const versions = [version("one"), version("two")];
  const forms = sheetForms(versions, 4, 17);
  expect(forms.map(({ letter }) => letter).join("")).toBe("ABCD");
  for (const { items } of forms) expect(items.map(({ itemId }) => itemId)).toEqual(["one", "two"]);
  for (const place of [0, 1]) {
    const keys = forms.map(({ items }) => items[place]?.parts[0]?.keyText);
    expect(new Set(keys).size).toBe(4);
  }
  expect(sheetForms(versions, 4, 17)).toEqual(forms);
  expect(sheetForms(versions, 4, 1_017)).not.toEqual(forms);
});

it("prints an item again that has no other draw", () => {
  const [a, b] = sheetForms([version("same", { parameters: { n: { of: [4] } } })], 2, 0);
  expect(b?.items[0]?.stem).toBe(a?.items[0]?.stem);
});
