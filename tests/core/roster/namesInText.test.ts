import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { nameIndex, namesInText } from "@/core/roster/namesInText";

const people = [
  { givenName: "Wen", familyName: "Liangyu" },
  { givenName: "Oisín", familyName: "Ó Dálaigh" },
  { givenName: "Anne-Marie", familyName: "D’Souza" },
  { givenName: "Wendeline", familyName: "Ash" },
];
const index = nameIndex(people);
const hidden = (text: string) =>
  namesInText(text, index)
    .toReversed()
    .reduce((rest, [from, to]) => `${rest.slice(0, from)}■${rest.slice(to)}`, text);

describe("namesInText", () => {
  it.each([
    ["Wen Liangyu is stuck.", "■ is stuck."],
    ["because Wen L and Oisín Ó missed 3", "because ■ and ■ missed 3"],
    ["Liangyu, Wen", "■"],
    ["WEN'S answer, Wen’s answer; wen", "■'S answer, ■’s answer; ■"],
    ["Wendeline, not Wen.", "■, not ■."],
    ["When did Wenlock ask?", "When did Wenlock ask?"],
    ["Anne-Marie D'Souza / Anne-Marie D’Souza", "■ / ■"],
    ["keep Oisín and Wen apart", "keep ■ and ■ apart"],
    ["Wen Lianghua", "■ Lianghua"],
    ["", ""],
  ])("%j reads %j", (text, expected) => {
    expect(hidden(text)).toBe(expected);
  });

  it("finds every name wherever it stands, and its places lie within the text in order", () => {
    fc.assert(
      fc.property(fc.string(), fc.constantFrom(...people), fc.string(), (before, { givenName, familyName }, after) => {
        const name = `${givenName} ${familyName}`;
        const places = namesInText(`${before} ${name} ${after}`, index);
        const start = before.length + 1;
        expect(places.some(([from, to]) => from <= start && start + givenName.length <= to)).toBe(true);
        places.forEach(([from, to], at) => {
          expect(from).toBeLessThan(to);
          expect(from).toBeGreaterThanOrEqual(places[at - 1]?.[1] ?? 0);
        });
      }),
    );
  });
});
