import fc from "fast-check";
import { expect, it } from "vitest";
import { checkItem } from "@/core/items/checkItem";
import { drawItem } from "@/core/items/drawItem";
import { fillText } from "@/core/items/fillText";
import type { ItemBody, PartBody } from "@/core/items/itemBody";
import { itemBodySchema } from "@/core/items/itemBodySchema";
import { ITEM_KINDS } from "@/core/items/itemKind";
import { searchText } from "@/core/items/itemTexts";
import { faultsOf, lookOver, verdictOn } from "@/core/items/lookOver";
import { optionTexts } from "@/core/items/optionTexts";
import { tryItem } from "@/core/items/tryItem";
import { rational } from "@/core/numeric/rational";
import { bodyWith } from "../../support/newItem";
import { PARTS } from "../../support/partsOfEveryKind";

const versionOf = (over: Partial<ItemBody>, ...parts: PartBody[]) => ({
  id: "t@1",
  itemId: "t",
  body: { ...bodyWith(...parts), ...over },
});
const number = (over: Partial<Extract<PartBody, { kind: "number" }>> = {}): PartBody => ({
  id: "a",
  kind: "number",
  answer: "2 * n",
  right: "x == 2 * n",
  misconceptions: [],
  ...over,
});
const choice = (...options: { text: string; right?: boolean; misconceptionId?: string }[]): PartBody => ({
  id: "a",
  kind: "single-choice",
  options: options.map((option, place) => ({ id: `o${place}`, ...option })),
});
const codes = (version: ReturnType<typeof versionOf>) =>
  tryItem(version, 50, 5).remarks.map(({ code, reason }) => reason ?? code);

it.each(ITEM_KINDS)(
  "an item of the kind %s is looked over: its variants differ, and nothing is odd in them",
  (kind) => {
    const look = lookOver(versionOf({}, PARTS[kind]), 60, 20);
    if (!("variants" in look)) throw new Error(JSON.stringify(look.faults));
    expect(look).toMatchObject({ tried: 60, drawn: 60 });
    // n is drawn from 8 numbers: that few differ is said, and nothing else.
    expect(look.remarks.map(({ code }) => code)).toEqual(["few-variants"]);
    expect(look.variants).toHaveLength(look.different);
    expect(JSON.parse(JSON.stringify(look.variants))).toEqual(look.variants);
  },
);

it("says what is odd, in how many draws, and since which", () => {
  const look = tryItem(versionOf({}, number({ misconceptions: [{ id: "m", value: "n + 4" }] })), 200, 20);
  const [remark] = look.remarks;
  const hits = Array.from({ length: 200 }, (_, seed) => drawItem(versionOf({}, number()), seed)).flatMap(
    ({ values, seed }) => (values.n?.equals(4) ? [seed] : []),
  );
  expect(remark).toMatchObject({ code: "mistake-is-right", draws: hits.length, seed: hits[0], partId: "a" });
});

it.each([
  [
    "two options that read the same",
    choice({ text: "{n}", right: true }, { text: "{n + 0}" }, { text: "no" }),
    "options-alike",
  ],
  ["no right option", choice({ text: "yes" }, { text: "no" }), "no-key"],
  ["two right ones", choice({ text: "yes", right: true }, { text: "no", right: true }), "several-keys"],
  ["nothing wrong", choice({ text: "yes", right: true }, { text: "yes" }), "nothing-wrong"],
  ["a key that fails its condition", number({ right: "x == n" }), "key-fails"],
  ["an answer that nobody works out", number({ answer: "n / 113", right: "x * 113 == n" }), "ugly-number"],
  ["an answer under 0", number({ answer: "n - 20", right: "x == n - 20" }), "below-nought"],
  ["an unknown name", number({ answer: "2 * m", right: "x > 0" }), "bad-expression"],
  ["a division by zero", number({ answer: "1 / (n - n)", right: "x > 0" }), "bad-expression"],
])("%s is said", (_, part, code) => {
  expect(codes(versionOf({}, part))).toContain(code);
});

it.each([
  ["a slot that nothing fills", { stem: "{boats} boats" }, "empty-slot"],
  ["conditions that nothing meets", { where: ["n > 100"] }, "conditions-unmet"],
  ["markup", { stem: "<b>{n}</b> boats" }, "markup"],
  ["a script", { hint: "<script>alert(1)</script>" }, "markup"],
  ["an address", { solution: "See https://x.example/y" }, "web-address"],
])("%s is said, wherever it stands", (_, over, code) => {
  expect(codes(versionOf(over, number()))).toContain(code);
});

it("what a body lacks is named by its path, each once", () => {
  expect(faultsOf({ ...bodyWith(number({ answer: "" })), stem: "" })).toEqual([
    { path: "stem", rule: "required" },
    { path: "parts[0].answer", rule: "required" },
  ]);
  expect(faultsOf(null).length).toBeGreaterThan(0);
  expect(lookOver(versionOf({ stem: "" }, number()), 5, 5)).toEqual({ faults: [{ path: "stem", rule: "required" }] });
});

it("takes any number that meets a condition, and one within a tolerance", () => {
  const open = versionOf({}, number({ answer: "52", right: "x > 50 and x < 60 and mod(x, 4) == 0", anyRight: true }));
  const judge = (version: typeof open, text: string) => verdictOn(version, 0, "plain", { a: { text } });
  for (const text of ["52", "56", "56.0"]) expect(judge(open, text)).toMatchObject({ right: true });
  for (const text of ["54", "48", "60"]) expect(judge(open, text)).toMatchObject({ right: false });
  const near = versionOf({}, number({ answer: "3", right: "x == 3", tolerance: "1 / 10" }));
  for (const text of ["2.9", "3.1", "3"]) expect(judge(near, text)).toMatchObject({ right: true });
  for (const text of ["2.89", "3.11"]) expect(judge(near, text)).toMatchObject({ right: false });
  expect(judge(near, "three")).toMatchObject({ readable: false });
  expect(verdictOn(near, 0, "plain", "nonsense")).toBeNull();
});

it("options with texts of their own: the one that says so is right, whatever its place", () => {
  fc.assert(
    fc.property(fc.integer({ min: 2, max: 8 }), fc.nat(), fc.nat(500), (count, at, seed) => {
      const key = at % count;
      const part = choice(
        ...Array.from({ length: count }, (_, place) => ({ text: `text ${place} of {n}`, right: place === key })),
      );
      const item = drawItem(versionOf({}, part), seed);
      expect(item.parts).toMatchObject([{ keyText: expect.stringContaining(`text ${key} of`) }]);
      expect(optionTexts(item)).toHaveLength(count);
      for (let place = 0; place < count; place++)
        expect(checkItem(item, { a: { option: `o${place}` } })).toMatchObject({ right: place === key });
    }),
    { numRuns: 60 },
  );
});

it("an option has a text, or values for the common one, and not both", () => {
  const body = (options: object[], over: object = {}) =>
    itemBodySchema.isValidSync({ ...bodyWith(), parts: [{ id: "a", kind: "single-choice", options, ...over }] });
  const [yes, no] = [
    { id: "a", text: "yes", right: true },
    { id: "b", text: "no" },
  ];
  expect(body([yes, no])).toBe(true);
  expect(body([yes, { id: "b", values: { x: "1" } }])).toBe(false);
  expect(body([{ ...yes, values: { x: "1" } }, no], { option: "{x}", right: "x == 1" })).toBe(false);
  expect(body([yes, { id: "a", text: "no" }])).toBe(false);
});

it("slots hold names, expressions and formats", () => {
  const values = { a: rational(3), b: rational(4) };
  expect(fillText("{a + b} or {a * b} or {a / b:decimal} or {boats}", values, { boats: "ferries" })).toBe(
    "7 or 12 or 0.75 or ferries",
  );
  expect(() => fillText("{c}", values, {})).toThrow("Nothing fills {c}.");
  expect(() => fillText("{a +}", values, {})).toThrow();
  expect(() => fillText("{a > b}", values, {})).toThrow();
});

it("is found by every text that people read, and by no slot", () => {
  for (const kind of ITEM_KINDS) {
    const words = searchText(versionOf({ stem: "About {n} sluices" }, PARTS[kind]).body);
    expect(words).toMatch(/^About sluices/);
    expect(words).not.toMatch(/[{}]/);
  }
  expect(searchText(versionOf({}, PARTS["select-words"]).body)).toContain("boats");
  expect(searchText(versionOf({}, PARTS.order).body)).toContain("three times");
});
