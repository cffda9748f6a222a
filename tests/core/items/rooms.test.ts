import { describe, expect, it } from "vitest";
import { checkItem, receivedResponse } from "@/core/items/checkItem";
import { type DrawnItem, drawItem } from "@/core/items/drawItem";
import type { ItemBody, PartBody } from "@/core/items/itemBody";
import { itemBodySchema } from "@/core/items/itemBodySchema";
import { ITEM_KINDS, type ItemKind } from "@/core/items/itemKind";
import { inOrder, orderOf } from "@/core/items/itemOrder";
import { itemParameters } from "@/core/items/itemParameters";
import { optionTexts } from "@/core/items/optionTexts";
import { partParameters } from "@/core/items/partParameters";
import { remarksOf } from "@/core/items/remarksOf";
import { responseWords } from "@/core/items/responseWords";
import { roomOf } from "@/core/items/rooms";
import { rubricOf } from "@/core/items/rubricOf";
import { saidOf } from "@/core/items/saidOf";
import { rightResponse, tellingMistakes } from "@/core/items/telling";
import { isRating, ratedShare } from "@/core/items/written/ratedShare";
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
const inline: PartBody = {
  id: "a",
  kind: "inline-choice",
  text: ["For {a} {things} there are ", { gap: "one" }, ", which is ", { gap: "two" }, " of them."],
  gaps: [
    {
      id: "one",
      options: [
        { id: "k", text: "{b}" },
        { id: "less", text: "{a}", misconceptionId: "took-the-rest" },
        { id: "same", text: "8" },
        { id: "more", text: "9" },
      ],
      right: "k",
    },
    {
      id: "two",
      options: [
        { id: "k", text: "all" },
        { id: "n", text: "half" },
      ],
      right: "k",
    },
  ],
};
const order: PartBody = {
  id: "a",
  kind: "order",
  members: [
    { id: "p", text: "{a} of {b}", value: "a / b" },
    { id: "q", text: "1 of {b}", value: "1 / b" },
    { id: "s", text: "2 of {b}", value: "2 / b" },
    { id: "t", text: "3 of {b}", value: "3 / b" },
  ],
  misconceptions: [{ id: "turned-the-ratio-round", order: ["p", "t", "s", "q"] }],
};
const matching: PartBody = {
  id: "a",
  kind: "matching",
  things: [
    { id: "u", text: "{a} of {b}", partner: "p" },
    { id: "v", text: "2 of {b}", partner: "q" },
    { id: "w", text: "4 of 16", partner: "q" },
  ],
  partners: [
    { id: "p", text: "three quarters" },
    { id: "q", text: "one quarter" },
    { id: "z", text: "one half" },
  ],
  misconceptions: [{ id: "took-the-rest", thing: "u", partner: "q" }],
};
const select: PartBody = {
  id: "a",
  kind: "select-words",
  text: [
    { text: "{a} boats, " },
    { id: "p", text: "half ", right: true },
    { text: "of them " },
    { id: "q", text: "red ", misconceptionId: "took-the-rest" },
    { id: "s", text: "and " },
    { id: "t", text: "a third", right: true },
  ],
};
const line: PartBody = {
  id: "a",
  kind: "number-line",
  from: "0",
  to: "2",
  step: "1 / b",
  labelEvery: "4",
  right: { point: "a / b" },
  misconceptions: [{ id: "turned-the-ratio-round", mark: { point: "b / (a + 2)" } }],
};
const interval: PartBody = {
  ...line,
  right: { low: "1 / 2", high: null, withLow: true, withHigh: false },
  misconceptions: [{ id: "took-the-rest", mark: { low: null, high: "1 / 2", withLow: false, withHigh: true } }],
};
const points: PartBody = {
  id: "a",
  kind: "grid",
  across: { from: "-2", to: "8", step: "1" },
  up: { from: "0", to: "10", step: "2" },
  task: "points",
  right: [
    { x: "a", y: "b" },
    { x: "0", y: "a" },
  ],
  misconceptions: [
    {
      id: "turned-the-ratio-round",
      points: [
        { x: "b", y: "a" },
        { x: "0", y: "a" },
      ],
    },
  ],
};
const straight: PartBody = { ...points, task: "line" };
const shading: PartBody = {
  id: "a",
  kind: "shading",
  parts: "b",
  columns: "4",
  right: "3 / 4",
  misconceptions: [
    { id: "took-the-rest", value: "1 / 4" },
    { id: "no-whole-part", value: "1 / 3" },
  ],
};
const expression: PartBody = {
  id: "a",
  kind: "expression",
  answer: "x = {b}",
  form: "solved",
  misconceptions: [
    { id: "took-the-rest", text: "x = {a}" },
    { id: "same-as-key", text: "2x = 16" },
  ],
};
const steps: PartBody = {
  id: "a",
  kind: "steps",
  start: "{a}(x - 2) + x = {b} - 2x",
  misconceptions: [
    { id: "took-the-rest", slip: "distribution" },
    { id: "turned-the-ratio-round", slip: "inverse-operation" },
  ],
};
const written: PartBody = {
  id: "a",
  kind: "written",
  length: "paragraph",
  showCriteria: true,
  criteria: [
    { id: "why", name: "A reason", levels: ["None", "One that is no reason", "One about all {b}"] },
    { id: "how", name: "Whole sentences", levels: ["No", "Yes"], weight: 0.5 },
  ],
  sample: "Of {b} there are {a}.",
};
const all = {
  number,
  "single-choice": single,
  "multiple-choice": multiple,
  "short-text": text,
  "inline-choice": inline,
  order,
  matching,
  "select-words": select,
  "number-line": line,
  grid: points,
  shading,
  expression,
  steps,
  written,
} as const;

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

/** Letters of the screen for stable ids. */
const lettersOf = (item: DrawnItem) =>
  new Map((orderOf(item)?.a ?? []).map((id, place) => [id, "ABCDEFGH"[place] ?? ""]));

describe("gaps in a text", () => {
  const item = draw(inline);

  it("count one by one, whatever order their options stand in; the same text stands there once", () => {
    expect(earned(item, { choices: { one: "k", two: "k" } })).toEqual([2, 2]);
    expect(earned(item, { choices: { one: "more", two: "k" } })).toEqual([1, 2]);
    expect(shown(item, { choices: { one: "less", two: "n" } })).toEqual(["took-the-rest"]);
    expect(orderOf(item)?.a).toHaveLength(5);
    expect(item.parts[0]?.keyText).toBe("8; all");
    expect(responseWords(item, { a: { choices: { one: "less", two: "n" } } })).toEqual(["6; half"]);
  });

  it("are asked for when left open, and know their own options only", () => {
    expect(earned(item, { choices: { one: "k" } })).toBe("empty");
    expect(earned(item, { choices: { one: "gone", two: "k" } })).toBe("no-such-option");
  });

  it("are sent by the letters of the screen, in an order kept from before too", () => {
    const sentFor = (drawn: DrawnItem) => {
      const gapIds = (orderOf(drawn)?.a ?? []).filter((id) => id.startsWith("one/"));
      return { a: { choices: { "1": "ABCD"[gapIds.indexOf("one/less")] ?? "", "2": "Z" } } };
    };
    const other = inOrder(item, { a: [...(orderOf(item)?.a ?? [])].reverse() });
    for (const drawn of [item, other])
      expect(receivedResponse(drawn, sentFor(drawn))).toEqual({ a: { choices: { one: "less", two: "no-option-Z" } } });
  });

  it("need to stand in the text once each, with a right option and another", () => {
    expect(() => draw({ ...inline, text: ["no gap"] })).toThrow(/every gap once/);
    const [one] = inline.gaps;
    const alone = { id: "one", options: one?.options.filter(({ id }) => ["k", "same"].includes(id)) ?? [], right: "k" };
    expect(() => draw({ ...inline, text: [{ gap: "one" }], gaps: [alone] })).toThrow(/right option and another/);
    expect(() => draw({ ...inline, text: [{ gap: "one" }], gaps: [{ ...alone, right: "gone" }] })).toThrow(/right/);
  });
});

describe("an order", () => {
  const item = draw(order);

  it.each([
    [
      ["q", "s", "t", "p"],
      [3, 3],
    ],
    [
      ["s", "q", "t", "p"],
      [2, 3],
    ],
    [
      ["p", "q", "s", "t"],
      [2, 3],
    ],
    [
      ["p", "t", "s", "q"],
      [0, 3],
    ],
  ])("of %j earns %j: one step for each that stands right after the first", (given, wanted) => {
    expect(earned(item, { order: given })).toEqual(wanted);
  });

  it("is never shown as it should be, goes by values or as it is written, and may go down", () => {
    for (let seed = 0; seed < 60; seed++) {
      const drawn = drawItem(versionOf(order), seed);
      expect(orderOf(drawn)?.a).not.toEqual(["q", "s", "t", "p"]);
    }
    expect(earned(draw({ ...order, descending: true }), { order: ["p", "t", "s", "q"] })).toEqual([3, 3]);
    const written = { ...order, members: order.members.map(({ id, text: said }) => ({ id, text: said })) };
    expect(earned(draw(written), { order: ["p", "q", "s", "t"] })).toEqual([3, 3]);
  });

  it("takes letters for what stood there, and nothing but all of its members", () => {
    const letters = lettersOf(item);
    const sent = { a: { order: ["q", "s", "t", "p"].map((id) => letters.get(id) ?? "") } };
    expect(receivedResponse(item, sent)).toEqual({ a: { order: ["q", "s", "t", "p"] } });
    expect(earned(item, { order: ["q", "s"] })).toBe("no-such-option");
    expect(earned(item, { order: ["q", "q", "t", "p"] })).toBe("no-such-option");
    expect(earned(item, { order: [] })).toBe("empty");
  });

  it("needs members that differ, by text and by value", () => {
    const twice = [...order.members, { id: "y", text: "other", value: "6 / 8" }];
    expect(() => draw({ ...order, members: twice, misconceptions: [] })).toThrow(/value of its own/);
    const same = order.members.map(({ id }) => ({ id, text: "same" }));
    expect(() => draw({ ...order, members: same, misconceptions: [] })).toThrow(/told apart/);
    expect(() => draw({ ...order, misconceptions: [{ id: "m", order: ["p", "q"] }] })).toThrow(/told apart/);
  });
});

describe("a matching", () => {
  const item = draw(matching);

  it("counts each thing, several of one partner too", () => {
    expect(earned(item, { pairs: { u: "p", v: "q", w: "q" } })).toEqual([3, 3]);
    expect(earned(item, { pairs: { u: "q", v: "q", w: "z" } })).toEqual([1, 3]);
    expect(shown(item, { pairs: { u: "q", v: "q", w: "z" } })).toEqual(["took-the-rest"]);
    expect(earned(item, { pairs: { u: "p", v: "q" } })).toBe("empty");
    expect(earned(item, { pairs: { u: "p", v: "q", w: "gone" } })).toBe("no-such-option");
    expect(responseWords(item, { a: { pairs: { u: "p", v: "q", w: "z" } } })).toEqual([
      "6 of 8: three quarters; 2 of 8: one quarter; 4 of 16: one half",
    ]);
  });

  it("takes places and letters for what stood there", () => {
    const letters = lettersOf(item);
    const sent = { "1": letters.get("p") ?? "", "2": letters.get("q") ?? "", "3": "H" };
    expect(receivedResponse(item, { a: { pairs: sent } })).toEqual({
      a: { pairs: { u: "p", v: "q", w: "no-option-H" } },
    });
  });

  it("needs partners that are there and sides that differ", () => {
    expect(() => draw({ ...matching, partners: matching.partners.slice(1) })).toThrow(/partners that are there/);
    expect(() => draw({ ...matching, misconceptions: [{ id: "m", thing: "u", partner: "gone" }] })).toThrow();
    const same = matching.partners.map(({ id }) => ({ id, text: "same" }));
    expect(() => draw({ ...matching, partners: same })).toThrow(/told apart/);
  });
});

describe("words to select", () => {
  const item = draw(select);

  it("count right ones less wrong ones", () => {
    expect(earned(item, { chosen: ["p", "t"] })).toEqual([2, 2]);
    expect(earned(item, { chosen: ["t"] })).toEqual([1, 2]);
    expect(earned(item, { chosen: ["p", "t", "q"] })).toEqual([1, 2]);
    expect(shown(item, { chosen: ["q"] })).toEqual(["took-the-rest"]);
    expect(earned(item, { chosen: [] })).toBe("empty");
    expect(earned(item, { chosen: ["x"] })).toBe("no-such-option");
    expect(item.parts[0]?.keyText).toBe("half; a third");
  });

  it("are sent by their place among what can be selected, each once", () => {
    expect(receivedResponse(item, { a: { chosen: ["4", "1", "1"] } })).toEqual({ a: { chosen: ["t", "p"] } });
    expect(receivedResponse(item, { a: { chosen: ["9"] } })).toEqual({ a: { chosen: ["no-option-9"] } });
  });

  it("need some that are right and some that are wrong", () => {
    const only = (right: boolean) => ({ ...select, text: select.text.map((piece) => ({ ...piece, right })) });
    expect(() => draw(only(true))).toThrow(/right and others/);
    expect(() => draw(only(false))).toThrow(/right and others/);
  });
});

describe("a number line", () => {
  const [item, wide] = [draw(line), draw(interval)];

  it("takes a point where it is, and names the misconception behind another", () => {
    expect(earned(item, { mark: { point: 6 } })).toEqual([1, 1]);
    expect(earned(item, { mark: { point: 5 } })).toEqual([0, 1]);
    expect(shown(item, { mark: { point: 8 } })).toEqual(["turned-the-ratio-round"]);
    expect(item.parts[0]?.keyText).toBe("3/4");
    for (const point of [-1, 17, 2.5]) expect(earned(item, { mark: { point } })).toBe("no-such-option");
  });

  it("takes an interval end by end, with what belongs to it", () => {
    const mark = (low: number | null, high: number | null, withLow = true, withHigh = false) => ({
      mark: { low, high, withLow, withHigh },
    });
    expect(earned(wide, mark(4, null))).toEqual([2, 2]);
    // What is not there is neither in nor out.
    expect(earned(wide, mark(4, null, true, true))).toEqual([2, 2]);
    expect(earned(wide, mark(4, null, false))).toEqual([1, 2]);
    expect(earned(wide, mark(4, 9))).toEqual([1, 2]);
    expect(earned(wide, mark(null, 4, false, true))).toEqual([0, 2]);
    expect(shown(wide, mark(null, 4, false, true))).toEqual(["took-the-rest"]);
    expect(earned(wide, mark(null, null))).toBe("empty");
    expect(earned(wide, mark(9, 4))).toBe("no-such-option");
    expect(earned(wide, { mark: { point: 4 } })).toBe("no-such-option");
    expect(wide.parts[0]?.keyText).toBe("x ≥ 1/2");
    const words = [mark(null, 4, false, true), mark(0, 12, false, true), mark(2, null, false)];
    expect(words.map((response) => responseWords(wide, { a: response })[0])).toEqual([
      "x ≤ 1/2",
      "0 < x ≤ 1 1/2",
      "x > 1/4",
    ]);
  });

  it("needs a place for every mark, and ends that do not cross", () => {
    expect(() => draw({ ...line, right: { point: "1 / 3" } })).toThrow(/no place/);
    expect(() => draw({ ...line, step: "0" })).toThrow(/step/);
    expect(() => draw({ ...line, step: "1 / 200", misconceptions: [] })).toThrow(/2 to 201 places/);
    const crossed = { low: "1", high: "1 / 2", withLow: true, withHigh: true };
    expect(() => draw({ ...interval, right: crossed })).toThrow(/cross/);
    expect(() => draw({ ...interval, right: { ...crossed, low: null, high: null } })).toThrow(/cross/);
  });
});

describe("a grid", () => {
  const [item, along] = [draw(points), draw(straight)];

  it("counts points one by one, wrong ones against right ones", () => {
    // 6 is the eighth line across from -2, 8 the fourth up from 0.
    expect(
      earned(item, {
        points: [
          [8, 4],
          [2, 3],
        ],
      }),
    ).toEqual([2, 2]);
    expect(earned(item, { points: [[8, 4]] })).toEqual([1, 2]);
    expect(
      earned(item, {
        points: [
          [8, 4],
          [2, 3],
          [0, 0],
        ],
      }),
    ).toEqual([1, 2]);
    expect(
      shown(item, {
        points: [
          [10, 3],
          [2, 3],
        ],
      }),
    ).toEqual(["turned-the-ratio-round"]);
    expect(item.parts[0]?.keyText).toBe("(6, 8); (0, 6)");
    expect(earned(item, { points: [] })).toBe("empty");
    expect(earned(item, { points: [[11, 0]] })).toBe("no-such-option");
  });

  it("takes any two points of the line, and half for one of them", () => {
    expect(
      earned(along, {
        points: [
          [8, 4],
          [2, 3],
        ],
      }),
    ).toEqual([2, 2]);
    expect(
      earned(along, {
        points: [
          [2, 3],
          [8, 4],
        ],
      }),
    ).toEqual([2, 2]);
    expect(
      earned(along, {
        points: [
          [8, 4],
          [2, 2],
        ],
      }),
    ).toEqual([1, 2]);
    expect(
      earned(along, {
        points: [
          [8, 4],
          [8, 4],
        ],
      }),
    ).toBe("empty");
    expect(earned(along, { points: [[8, 4]] })).toBe("empty");
  });

  it("needs points on its crossings, and two of a line", () => {
    expect(() => draw({ ...points, right: [{ x: "a", y: "1" }] })).toThrow(/no line/);
    expect(() => draw({ ...straight, right: [{ x: "a", y: "b" }] })).toThrow(/two of a line/);
    expect(() => draw({ ...points, up: { from: "0", to: "100", step: "1" } })).toThrow(/2 to 41 lines/);
  });
});

describe("a fraction by shading", () => {
  const item = draw(shading);

  it("counts parts, whichever they are, and leaves out a telling fraction that is no number of parts", () => {
    expect(earned(item, { shaded: [0, 1, 2, 3, 4, 5] })).toEqual([1, 1]);
    expect(earned(item, { shaded: [7, 6, 5, 4, 3, 2] })).toEqual([1, 1]);
    expect(earned(item, { shaded: [1, 1, 2] })).toEqual([0, 1]);
    expect(shown(item, { shaded: [3, 5] })).toEqual(["took-the-rest"]);
    expect(tellingMistakes(item).map(({ misconceptionId }) => misconceptionId)).toEqual(["took-the-rest"]);
    expect(earned(item, { shaded: [] })).toBe("empty");
    expect(earned(item, { shaded: [8] })).toBe("no-such-option");
    expect(earned(draw({ ...shading, right: "0" }), { shaded: [] })).toEqual([1, 1]);
  });

  it("needs full rows and a whole number of parts", () => {
    expect(() => draw({ ...shading, columns: "3" })).toThrow(/full rows/);
    expect(() => draw({ ...shading, right: "1 / 3" })).toThrow(/full rows/);
    expect(() => draw({ ...shading, parts: "101", columns: "101" })).toThrow(/full rows/);
  });
});

describe("an expression", () => {
  const item = draw(expression);

  it("is right in the form asked for, asked back in another, and tells of a known mistake", () => {
    for (const typed of ["x = 8", "8", "8 = x"]) expect(earned(item, { text: typed })).toEqual([1, 1]);
    expect(earned(item, { text: "2x = 16" })).toBe("not-solved");
    expect(earned(item, { text: "y = 8" })).toBe("other-letters");
    expect(shown(item, { text: "x = 6" })).toEqual(["took-the-rest"]);
    expect(earned(item, { text: " " })).toBe("empty");
    expect(tellingMistakes(item).map(({ misconceptionId }) => misconceptionId)).toEqual(["took-the-rest"]);
  });

  it("needs a key that can be read, in its own form", () => {
    expect(() => draw({ ...expression, answer: "x = ((" })).toThrow(/can't be read/);
    expect(() => draw({ ...expression, answer: "2x = 16", misconceptions: [] })).toThrow(/form asked for/);
  });
});

describe("lines of work", () => {
  const item = draw(steps);
  // 6(x - 2) + x = 8 - 2x, by hand: 6x - 12 + x = 8 - 2x; 7x - 12 = 8 - 2x; 9x - 12 = 8; 9x = 20; x = 20/9.
  const way = ["6x - 12 + x = 8 - 2x", "7x - 12 = 8 - 2x", "9x - 12 = 8", "9x = 20", "x = 20/9"];

  it("earn all when each says the same and the last is solved, in whatever steps", () => {
    for (const lines of [way, way.slice(-1), ["7x = 20 - 2x", " ", "x = 2 2/9"], [...way.slice(0, 4), "20/9 = x"]])
      expect(earned(item, { lines })).toEqual([5, 5]);
  });

  it("earn the steps that were done before they end, or before the first that is wrong", () => {
    for (let done = 1; done < 5; done++) expect(earned(item, { lines: way.slice(0, done) })).toEqual([done, 5]);
    expect(earned(item, { lines: ["6(x - 2) + x = 8 - 2x"] })).toEqual([0, 5]);
    expect(earned(item, { lines: [...way.slice(0, 3), "9x = -4", "x = -4/9"] })).toEqual([3, 5]);
    // Right again after a wrong line: what stands between is still wrong.
    expect(earned(item, { lines: ["7x - 2 = 8 - 2x", "x = 20/9"] })).toEqual([0, 5]);
    expect(earned(item, { lines: [...way.slice(0, 4), "x = 40/18 + 0"] })).toEqual([4, 5]);
  });

  it("tell which line is wrong by which slip, and the misconception behind it", () => {
    const said = (lines: string[]) => saidOf(item, { a: { lines } });
    expect(said(["6x - 2 + x = 8 - 2x"])).toEqual([{ code: "line-wrong", line: 1, slip: "distribution" }]);
    expect(shown(item, { lines: ["6x - 2 + x = 8 - 2x"] })).toEqual(["took-the-rest"]);
    expect(said([...way.slice(0, 3), "9x = -4"])).toEqual([{ code: "line-wrong", line: 4, slip: "inverse-operation" }]);
    expect(shown(item, { lines: [...way.slice(0, 3), "9x = -4"] })).toEqual(["turned-the-ratio-round"]);
    expect(said([...way.slice(0, 4), "x = 99"])).toEqual([{ code: "line-wrong", line: 5, slip: null }]);
    expect(said(way.slice(0, 2))).toEqual([{ code: "not-ended" }]);
    expect(said(way)).toEqual([]);
  });

  it("are asked back where a line can't be read, by its number", () => {
    expect(check(item, { lines: ["7x - 12 = 8 - 2x", "9x = = 2"] })).toMatchObject({ readable: false, line: 2 });
    expect(earned(item, { lines: ["", " "] })).toBe("empty");
    expect(receivedResponse(item, { a: { lines: Array.from({ length: 21 }, () => "x = 1") } })).toBeNull();
  });

  it("begin with something to do in one unknown, and end", () => {
    for (const start of ["x = 5", "2x + y = 3", "x^2 + 1 = 5", "2x + 1 = 2x + 3", "x = (("])
      expect(() => draw({ ...steps, start })).toThrow(/No steps lead/);
    expect(draw({ ...steps, start: "2(x + 3) - x" }).parts[0]?.keyText).toBe("x + 6");
    expect(draw({ ...steps, start: "-2x < {b}" }).parts[0]?.keyText).toBe("x > -4");
  });

  it.each([
    ["distribution", "2(x + 3) = 10", "2x + 3 = 10"],
    ["sign", "8 - (x + 3) = 2", "8 - x + 3 = 2"],
    ["inverse-operation", "x + 3 = 5", "x = 8"],
    ["direction", "-2x < 8", "x < -4"],
    ["arithmetic", "x + 17 = 30", "x = 14"],
  ] as const)("make a %s slip where it can be made", (slip, start, wrong) => {
    const drawn = draw({ ...steps, start, misconceptions: [{ id: "m", slip }] });
    expect(tellingMistakes(drawn).map(({ response }) => response)).toEqual([{ a: { lines: [wrong] } }]);
  });

  it("say so where a slip can't be made", () => {
    const body = bodyOf({ ...steps, start: "x + 3 = 5", misconceptions: [{ id: "m", slip: "direction" }] });
    const version = { id: "test@1", itemId: "test", body };
    expect(remarksOf(version, drawItem(version, 0))).toEqual([{ code: "slip-not-made", at: "x + 3 = 5", partId: "a" }]);
  });
});

describe("a written answer", () => {
  const item = draw(written);
  const [part] = item.parts;
  const criteria = (part && rubricOf(part)) ?? [];

  it("is handed in and waits for a person, whatever it says", () => {
    for (const text of ["Of 8 there are 6.", "no idea"])
      expect(check(item, { text })).toEqual({ readable: true, right: false, parts: [], waiting: ["a"] });
    expect(earned(item, { text: " \n" })).toBe("empty");
    expect(earned(item, { text: "x".repeat(12_001) })).toBe("too-long");
  });

  it("beside a part that is scored at once leaves that part's score as it is", () => {
    const both = draw({ ...number, id: "n" }, written);
    const verdict = checkItem(both, { n: { text: "3/4" }, a: { text: "Because." } });
    expect(verdict).toMatchObject({ right: false, waiting: ["a"], parts: [{ partId: "n", earned: 1 }] });
  });

  it("is worth the points of each criterion by its weight, exactly", () => {
    expect(criteria.map(({ levels }) => levels.at(-1))).toEqual(["One about all 8", "Yes"]);
    // By hand: (1 x 1/2 + 0.5 x 1) / 1.5, and (1 x 1 + 0.5 x 0) / 1.5.
    expect(ratedShare(criteria, [1, 1]).toFraction()).toBe("2/3");
    expect(ratedShare(criteria, [2, 0]).toFraction()).toBe("2/3");
    expect([ratedShare(criteria, [0, 0]).valueOf(), ratedShare(criteria, [2, 1]).valueOf()]).toEqual([0, 1]);
  });

  it("takes no points that its rubric does not have", () => {
    expect(isRating(criteria, [2, 1])).toBe(true);
    for (const points of [[3, 1], [2], [2, 1, 0], [-1, 0], [0.5, 0], [Number.NaN, 0]])
      expect(isRating(criteria, points)).toBe(false);
  });

  it("tells students what it is looked at for only where its author wants that", () => {
    expect(roomOf("written").shown(part?.drawn as never)).toMatchObject({ criteria: [{ name: "A reason" }, {}] });
    const quiet = draw({ ...written, showCriteria: false }).parts[0];
    expect(roomOf("written").shown(quiet?.drawn as never)).toEqual({ length: "paragraph", criteria: [] });
    expect(JSON.stringify(roomOf("written").shown(part?.drawn as never))).not.toContain("there are");
  });
});

const isRead = (kind: ItemKind) => roomOf(kind).rubric !== undefined;
describe.each(ITEM_KINDS)("the room of %s", (kind) => {
  const item = draw(all[kind]);

  it("gives everything for its own right response, and less for each mistake that it tells of", () => {
    if (isRead(kind)) {
      expect(checkItem(item, rightResponse(item))).toMatchObject({ readable: true, waiting: ["a"] });
      return;
    }
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
      waiting: [],
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
  const drawn = {
    key: rational(1500),
    keyText: "1500",
    unit: null,
    lowestTerms: false,
    tolerance: null,
    accepts: null,
    misconceptionValues: [],
  };
  const check = (text: string, mark: "point" | "comma") => roomOf("number").check(drawn as never, { text }, mark);
  expect(check("1.500", "comma")).toMatchObject({ readable: true, earned: 1 });
  expect(check("1,500", "point")).toMatchObject({ readable: true, earned: 1 });
  expect(check("1.500", "point")).toEqual({ readable: false, reason: "two-readings" });
  expect(check("1,500", "comma")).toEqual({ readable: false, reason: "two-readings" });
});
