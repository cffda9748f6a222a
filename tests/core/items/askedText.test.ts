import { expect, it } from "vitest";
import { askedText, runningTexts } from "@/core/items/askedText";
import { drawItem } from "@/core/items/drawItem";
import { roomOf } from "@/core/items/rooms";
import { bodyWith } from "../../support/newItem";
import { PARTS } from "../../support/partsOfEveryKind";

const drawn = (part: (typeof PARTS)[keyof typeof PARTS]) =>
  drawItem({ id: "t@1", itemId: "t", body: bodyWith(part) }, 0);

it("says what stands around a gap or among words to find, with what there is to choose", () => {
  const gaps = drawn(PARTS["inline-choice"]);
  expect(runningTexts(gaps)).toHaveLength(1);
  expect(askedText(gaps)).toMatch(/ \[[^\]]+ \/ [^\]]+\]/);
  expect(askedText(drawn(PARTS["select-words"]))).toMatch(/\[[^\]/]+\]/);
});

it("is the stem alone where a part has no text of its own", () => {
  const number = drawn(PARTS.number);
  expect(askedText(number)).toBe(number.stem);
});

it("a number line whose step is written as a decimal writes decimals, any other mixed numbers", () => {
  const numbersOf = (step: string) => {
    const body = { ...PARTS["number-line"], from: "0", to: "1", step, right: { point: "0.5" }, misconceptions: [] };
    const [part] = drawn(body as never).parts;
    return part ? (roomOf(part.kind).shown(part.drawn) as { numbers: readonly string[] }).numbers.slice(0, 3) : [];
  };
  expect(numbersOf("0.25")).toEqual(["0", "0.25", "0.5"]);
  expect(numbersOf("1/4")).toEqual(["0", "1/4", "1/2"]);
});
