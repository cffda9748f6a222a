import { describe, expect, it } from "vitest";
import { checkAnswer } from "@/core/answers/checkAnswer";
import { instantiateItem } from "@/core/answers/instantiateItem";
import type { ChoiceItemModel, NumericItemModel } from "@/core/model/content";

const numeric: NumericItemModel = {
  id: "test/numeric",
  kind: "numeric",
  parameters: { a: { of: [6] }, b: { of: [8] } },
  stem: "{a} of {b} {things}",
  contexts: { plain: { things: "things" } },
  answer: "a / b",
  right: "x * b == a",
  misconceptions: [
    { id: "turned-the-ratio-round", value: "b / a" },
    { id: "same-as-key", value: "3 / 4" },
  ],
  difficultyOffset: "0",
  hint: "hint",
  solution: "solution",
};

const choice: ChoiceItemModel = {
  ...numeric,
  id: "test/choice",
  kind: "choice",
  option: "{n}",
  right: "n == a",
  key: { n: "a" },
  misconceptions: [{ id: "took-the-rest", values: { n: "b - a" } }],
  fillers: [{ n: "a" }, { n: "b" }, { n: "a - b" }],
};

describe("checkAnswer on numbers", () => {
  const item = instantiateItem(numeric, 0);

  it.each(["3/4", "6/8", "0.75", "0,75", ".75"])("takes any form of the right value: %s", (answer) => {
    expect(checkAnswer(item, answer).verdict).toBe("right");
  });

  it("names the misconception behind a wrong value", () => {
    expect(checkAnswer(item, "1 1/3")).toEqual({ verdict: "wrong", misconceptionId: "turned-the-ratio-round" });
    expect(checkAnswer(item, "5")).toEqual({ verdict: "wrong", misconceptionId: null });
  });

  it("drops a misconception that gives the right value", () => {
    expect(item.misconceptionValues.map(({ id }) => id)).toEqual(["turned-the-ratio-round"]);
  });

  it("asks for lowest terms only of a right value", () => {
    const strict = { ...item, lowestTerms: true };
    expect(checkAnswer(strict, "6/8")).toEqual({ verdict: "unreadable", reason: "not-lowest-terms" });
    expect(checkAnswer(strict, "3/4").verdict).toBe("right");
    expect(checkAnswer(strict, "2/8").verdict).toBe("wrong");
  });

  it("asks for a required unit, and takes another unit as wrong", () => {
    const withUnit = { ...item, unit: { word: "km", required: true } };
    expect(checkAnswer(withUnit, "0.75")).toEqual({ verdict: "unreadable", reason: "unit-missing" });
    expect(checkAnswer(withUnit, "0.75 KM").verdict).toBe("right");
    expect(checkAnswer(withUnit, "0.75 m").verdict).toBe("wrong");
    expect(checkAnswer({ ...item, unit: { word: "km", required: false } }, "0.75 m").verdict).toBe("right");
  });
});

describe("checkAnswer on choices", () => {
  const item = instantiateItem(choice, 0);

  it("keeps options different and sensible", () => {
    expect(item.options.map(({ text }) => text).sort()).toEqual(["2", "6", "8"]);
  });

  it("scores by option id whatever the order", () => {
    for (const option of item.options)
      expect(checkAnswer(item, option.id).verdict).toBe(option.text === "6" ? "right" : "wrong");
    const rest = item.options.find(({ text }) => text === "2");
    expect(checkAnswer(item, rest?.id ?? "")).toEqual({ verdict: "wrong", misconceptionId: "took-the-rest" });
  });

  it("refuses an option that is not there", () => {
    expect(checkAnswer(item, "Z")).toEqual({ verdict: "unreadable", reason: "no-such-option" });
  });
});
