import { describe, expect, it } from "vitest";
import { checkItem, receivedResponse } from "@/core/items/checkItem";
import { type DrawnItem, drawItem } from "@/core/items/drawItem";
import type { ItemBody, PartBody } from "@/core/items/itemBody";
import { itemBodySchema } from "@/core/items/itemBodySchema";
import { ITEM_KINDS } from "@/core/items/itemKind";
import { inOrder, orderOf } from "@/core/items/itemOrder";
import { itemParameters } from "@/core/items/itemParameters";
import { optionTexts } from "@/core/items/optionTexts";
import { partParameters } from "@/core/items/partParameters";
import { responseWords } from "@/core/items/responseWords";
import { roomOf } from "@/core/items/rooms";
import { rightResponse, tellingMistakes } from "@/core/items/telling";
import { rational } from "@/core/numeric/rational";

const bodyOf = (...parts: PartBody[]): ItemBody => ({
  parameters: { a: { of: [6] }, b: { of: [8] } },
  stem: "{a} of {b} {things}",
  contexts: { plain: { things: "things" } },
  difficultyOffset: "0.3",
  hint: "hint",
  solution: "solution",
  parts,
});
const versionOf = (...parts: PartBody[]) => ({ id: "test@1", itemId: "test", body: bodyOf(...parts) });
const draw = (...parts: PartBody[]) => drawItem(versionOf(...parts), 0);

const number: PartBody = {
  id: "a",
  kind: "number",
  answer: "a / b",
  right: "x * b == a",
  misconceptions: [
    { id: "turned-the-ratio-round", value: "b / a" },
    { id: "same-as-key", value: "3 / 4" },
  ],
};
const single: PartBody = {
  id: "a",
  kind: "single-choice",
  option: "{n}",
  right: "n == a",
  options: [
    { id: "key", values: { n: "a" } },
    { id: "rest", values: { n: "b - a" }, misconceptionId: "took-the-rest" },
    { id: "same", values: { n: "a" } },
    { id: "all", values: { n: "b" } },
    { id: "below", values: { n: "a - b" } },
  ],
};
const multiple: PartBody = {
  id: "a",
  kind: "multiple-choice",
  option: "{n}",
  right: "mod(n, 3) == 0",
  options: [
    { id: "six", values: { n: "a" } },
    { id: "eight", values: { n: "b" } },
    { id: "nine", values: { n: "a + 3" } },
    { id: "two", values: { n: "2" }, misconceptionId: "took-the-rest" },
    { id: "twelve", values: { n: "2 * a" } },
  ],
};
const text: PartBody = {
  id: "a",
  kind: "short-text",
  accepted: ["{a} eighths", "three quarters"],
  misconceptions: [{ id: "turned-the-ratio-round", text: "four thirds" }],
  ignoreCase: true,
  ignoreSpacing: false,
  ignoreAccents: true,
  ignorePunctuation: true,
  spelling: "lenient",
};
const all = { number, "single-choice": single, "multiple-choice": multiple, "short-text": text } as const;

const check = (item: DrawnItem, response: object) => checkItem(item, { a: response });
const earned = (item: DrawnItem, response: object) => {
  const verdict = check(item, response);
  return verdict.readable ? [verdict.parts[0]?.earned, verdict.parts[0]?.possible] : verdict.reason;
};
const shown = (item: DrawnItem, response: object) => {
  const verdict = check(item, response);
  return verdict.readable ? verdict.parts[0]?.misconceptionIds : null;
};

describe("a number", () => {
  const item = draw(number);

  it.each(["3/4", "6/8", "0.75", "0,75", ".75"])("takes any form of the right value: %s", (typed) => {
    expect(check(item, { text: typed })).toMatchObject({ readable: true, right: true });
  });

  it("names the misconception behind a wrong value, and drops one that gives the right value", () => {
    expect(shown(item, { text: "1 1/3" })).toEqual(["turned-the-ratio-round"]);
    expect(shown(item, { text: "5" })).toEqual([]);
    expect(tellingMistakes(item).map(({ misconceptionId }) => misconceptionId)).toEqual(["turned-the-ratio-round"]);
  });

  it("asks for lowest terms only of a right value", () => {
    const strict = draw({ ...number, form: "lowest-terms" });
    expect(earned(strict, { text: "6/8" })).toBe("not-lowest-terms");
    expect(earned(strict, { text: "3/4" })).toEqual([1, 1]);
    expect(earned(strict, { text: "2/8" })).toEqual([0, 1]);
  });

  it("asks for a required unit, and takes another unit as wrong", () => {
    const withUnit = draw({ ...number, unit: { word: "km", required: true } });
    expect(check(withUnit, { text: "0.75" })).toMatchObject({ readable: false, reason: "unit-missing", wanted: "km" });
    expect(earned(withUnit, { text: "0.75 KM" })).toEqual([1, 1]);
    expect(earned(withUnit, { text: "0.75 m" })).toEqual([0, 1]);
    const offered = draw({ ...number, unit: { word: "km", required: false } });
    expect(earned(offered, { text: "0.75 m" })).toEqual([0, 1]);
    expect(earned(offered, { text: "0.75 boats" })).toEqual([1, 1]);
  });

  it("refuses a key that its own condition does not hold for", () => {
    expect(() => draw({ ...number, answer: "a * b" })).toThrow(/fails its own condition/);
  });
});

describe("a single choice", () => {
  const item = draw(single);

  it("keeps options different and sensible", () => {
    expect(optionTexts(item).sort()).toEqual(["2", "6", "8"]);
  });

  it("scores by the stable id whatever the order, and says what was chosen", () => {
    expect(earned(item, { option: "key" })).toEqual([1, 1]);
    expect(earned(item, { option: "all" })).toEqual([0, 1]);
    expect(shown(item, { option: "rest" })).toEqual(["took-the-rest"]);
    expect(responseWords(item, { a: { option: "rest" } })).toEqual(["2"]);
  });

  it("refuses an option that is not there, and none at all", () => {
    expect(earned(item, { option: "z" })).toBe("no-such-option");
    expect(earned(item, { option: "" })).toBe("empty");
  });

  it("takes the letter of the screen for the option that stood there, in an order kept from before too", () => {
    const order = orderOf(item)?.a ?? [];
    const other = inOrder(item, { a: [...order].reverse() });
    for (const [place, id] of order.entries()) {
      expect(receivedResponse(item, { a: { option: "ABC"[place] } })).toEqual({ a: { option: id } });
      expect(receivedResponse(other, { a: { option: "CBA"[place] } })).toEqual({ a: { option: id } });
    }
    expect(orderOf(inOrder(item, { a: ["key", "gone"] }))?.a).toEqual(order);
    expect(inOrder(item, { a: order })).toBe(item);
    expect(inOrder(item, null)).toBe(item);
  });
});

describe("a multiple choice", () => {
  const item = draw(multiple);

  it.each([
    [
      ["nine", "six", "twelve"],
      [3, 3],
    ],
    [
      ["nine", "six"],
      [2, 3],
    ],
    [["six"], [1, 3]],
    [
      ["six", "two"],
      [0, 3],
    ],
    [
      ["nine", "six", "twelve", "eight"],
      [2, 3],
    ],
    [
      ["eight", "nine", "six", "twelve", "two"],
      [1, 3],
    ],
  ])("of %j earns %j: right ones less wrong ones, by hand", (options, wanted) => {
    expect(earned(item, { options })).toEqual(wanted);
  });

  it("shows the misconceptions that were chosen, asks for at least one, and knows its own options only", () => {
    expect(shown(item, { options: ["six", "two"] })).toEqual(["took-the-rest"]);
    expect(earned(item, { options: [] })).toBe("empty");
    expect(earned(item, { options: ["six", "gone"] })).toBe("no-such-option");
  });

  it("takes letters in any order and each once", () => {
    const order = orderOf(item)?.a ?? [];
    const letters = order.map((_, place) => "ABCDE"[place] ?? "");
    const sent = { a: { options: [...letters, ...letters].reverse() } };
    expect(receivedResponse(item, sent)).toEqual({ a: { options: [...order].sort() } });
    for (const wrong of [{ options: "A" }, { options: [1] }, {}, null, "A"])
      expect(receivedResponse(item, { a: wrong })).toBeNull();
  });

  it("needs options that are right and others that are wrong", () => {
    expect(() => draw({ ...multiple, right: "n > 0" })).toThrow(/right and others that are wrong/);
    expect(() => draw({ ...multiple, right: "n < 0" })).toThrow(/right and others that are wrong/);
  });
});

describe("a short text", () => {
  const item = draw(text);

  it.each(["6 eighths", "Three  quarters", "three quaters."])("takes %s", (typed) => {
    expect(earned(item, { text: typed })).toEqual([1, 1]);
  });

  it("names the misconception behind a wrong one, however near it is to a right one, and never a right one", () => {
    expect(shown(item, { text: "Four thirds" })).toEqual(["turned-the-ratio-round"]);
    expect(earned(item, { text: "four quarters" })).toEqual([0, 1]);
    expect(earned(item, { text: "  " })).toBe("empty");
    expect(() => draw({ ...text, misconceptions: [{ id: "m", text: "three quarters" }] })).toThrow(/mistake for right/);
    expect(earned(draw({ ...text, notAccepted: ["six eights"] }), { text: "six eights" })).toEqual([0, 1]);
  });
});

describe.each(ITEM_KINDS)("the room of %s", (kind) => {
  const item = draw(all[kind]);

  it("gives everything for its own right response, and less for each mistake that it tells of", () => {
    expect(checkItem(item, rightResponse(item))).toMatchObject({ readable: true, right: true });
    const mistakes = tellingMistakes(item);
    expect(mistakes.length).toBeGreaterThan(0);
    for (const { misconceptionId, response } of mistakes) {
      const verdict = checkItem(item, response);
      expect(verdict).toMatchObject({ readable: true, right: false });
      if (verdict.readable) expect(verdict.parts[0]?.misconceptionIds).toContain(misconceptionId);
    }
  });

  it("shows nothing that tells the answer", () => {
    const [part] = item.parts;
    expect(JSON.stringify(roomOf(kind).shown(part?.drawn as never))).not.toMatch(/right|key|misconception|rest|six/);
  });

  it("reads no response of another shape", () => {
    for (const sent of [null, 7, "x", [], { a: 7 }, { a: null }, { a: [] }, { a: { other: "x" } }])
      expect(receivedResponse(item, sent)).toBeNull();
    expect(receivedResponse(item, {})).toEqual({});
    expect(checkItem(item, {})).toMatchObject({ readable: false, reason: "empty" });
  });

  it("has a body that its schema takes, and none that it does not know", () => {
    expect(() => itemBodySchema.validateSync(bodyOf(all[kind]))).not.toThrow();
    expect(() => itemBodySchema.validateSync(bodyOf({ ...all[kind], colour: "red" } as never))).toThrow();
    expect(() => itemBodySchema.validateSync(bodyOf({ id: "a", kind } as PartBody))).toThrow();
  });

  it("has a chance of guessing that is a chance", () => {
    const { c } = itemParameters(bodyOf(all[kind]), { a: rational(6), b: rational(8) }, 0.5);
    expect(c).toBeGreaterThanOrEqual(0);
    expect(c).toBeLessThan(0.5);
  });
});

describe("an item of several parts", () => {
  const two = { ...multiple, id: "b", prompt: "Which of them?", points: 3 } as PartBody;
  const version = versionOf(number, two);
  const item = drawItem(version, 0);

  it("is scored part by part, each with its own share", () => {
    expect(checkItem(item, { a: { text: "3/4" }, b: { options: ["six"] } })).toEqual({
      readable: true,
      right: false,
      parts: [
        { readable: true, partId: "a", earned: 1, possible: 1, misconceptionIds: [] },
        { readable: true, partId: "b", earned: 1, possible: 3, misconceptionIds: [] },
      ],
    });
    expect(item.parts[1]).toMatchObject({ prompt: "Which of them?", points: 3 });
  });

  it("is scored only when every part can be read", () => {
    expect(checkItem(item, { a: { text: "3/4" } })).toMatchObject({ readable: false, partId: "b", reason: "empty" });
  });

  it("is guessed only when all parts are, each part by its own chance", () => {
    const whole = itemParameters(version.body, item.values, 0.5);
    expect(whole).toEqual({ a: 1.4, b: 0.8, c: 0 });
    expect(partParameters(version, "b", item.values, whole).c).toBeCloseTo(1 / 31, 12);
  });
});

it("a body with a range that ends before it begins, or without a context, is refused", () => {
  const bad = (over: object) => () => itemBodySchema.validateSync({ ...bodyOf(number), ...over });
  expect(bad({ parameters: { a: { from: 3, to: 1 } } })).toThrow("parameters: no-parameters");
  expect(bad({ parameters: { a: { of: [] } } })).toThrow("parameters: no-parameters");
  expect(bad({ contexts: {} })).toThrow("contexts: no-contexts");
  expect(bad({ parts: [] })).toThrow();
  expect(bad({ parts: [{ id: "a", kind: "drawing" }] })).toThrow();
  expect(() => drawItem(versionOf(number), 0, "unknown")).not.toThrow();
});

it("a typed number is read by the school's decimal mark, and asked back where only the other one makes it right", () => {
  const drawn = { key: rational(1500), keyText: "1500", unit: null, lowestTerms: false, misconceptionValues: [] };
  const check = (text: string, mark: "point" | "comma") => roomOf("number").check(drawn as never, { text }, mark);
  expect(check("1.500", "comma")).toMatchObject({ readable: true, earned: 1 });
  expect(check("1,500", "point")).toMatchObject({ readable: true, earned: 1 });
  expect(check("1.500", "point")).toEqual({ readable: false, reason: "two-readings" });
  expect(check("1,500", "comma")).toEqual({ readable: false, reason: "two-readings" });
});
