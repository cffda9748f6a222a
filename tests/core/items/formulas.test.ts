import { describe, expect, it } from "vitest";
import { fillText } from "@/core/items/fillText";
import { searchText } from "@/core/items/itemTexts";
import { formulasIn } from "@/core/model/formula";
import { rational } from "@/core/numeric/rational";
import { readPackage } from "@/formats/qti/readPackage";
import { writePackage } from "@/formats/qti/writePackage";
import { bodyWith } from "../../support/newItem";
import { olderItem, outgoing, packageOf, readAll, responseTo } from "../../support/packages";
import { PARTS } from "../../support/partsOfEveryKind";

const body = (stem: string) => ({
  ...bodyWith(PARTS.number),
  stem,
  hint: "",
  solution: "",
  parameters: {},
  parts: [{ ...PARTS.number, answer: "4", right: "x == 4" } as never],
});

describe("formulas in a text", () => {
  it("stand between their signs; one that does not end is plain text", () => {
    expect(formulasIn("a \\(b\\) c \\(d\\)")).toEqual([{ text: "a " }, { tex: "b" }, { text: " c " }, { tex: "d" }]);
    expect(formulasIn("5 \\( and")).toEqual([{ text: "5 \\( and" }]);
    expect(formulasIn("costs $5 (or 6)")).toEqual([{ text: "costs $5 (or 6)" }]);
  });

  it("keep their own braces, and are filled where a slot stands in two", () => {
    const values = { n: rational(9), half: rational(1, 2) };
    expect(fillText("{n}: \\(\\sqrt{{n}} + \\frac{a}{{n + 1}} + {{half:decimal}}\\) {n}", values, {})).toBe(
      "9: \\(\\sqrt{9} + \\frac{a}{10} + {0.5}\\) 9",
    );
    expect(() => fillText("\\(\\sqrt{{m}}\\)", values, {})).toThrow(/Nothing fills/);
  });

  it("are not among the words that an item is found by", () => {
    expect(searchText({ ...body("What is \\(\\frac{1}{2}\\) of {n} boats?"), hint: "", solution: "" })).toMatch(
      /^What is of boats\?/,
    );
  });
});

describe("formulas in a package", () => {
  it("go out as MathML, and come back as they were typed", () => {
    const typed = body("What is \\(\\frac{16}{4} \\cdot x^{2}\\) where \\(x = 1\\)?");
    const [read] = readAll(writePackage("P", [outgoing("one", typed)])).items;
    expect(read?.item?.body.stem).toBe(typed.stem);
    expect(read?.remarks).toEqual([]);
  });

  it("with numbers that change come back whole, and one that can't be set as it was typed", () => {
    const model = { ...bodyWith(PARTS.number), stem: "Twice \\(\\frac{{n}}{1}\\), not \\(\\frac{\\)?" };
    const [read] = readAll(writePackage("P", [outgoing("one", model)])).items;
    expect(read?.item?.body.stem).toBe(model.stem);
  });

  it("of another program are read by the TeX that they say, or else in words", () => {
    const math = (inside: string) =>
      `<math xmlns="http://www.w3.org/1998/Math/MathML"><semantics><mrow><msqrt><mn>16</mn></msqrt></mrow>${inside}</semantics></math>`;
    const item = olderItem({
      declarations: responseTo(["4"], { baseType: "integer" }),
      body: `<p>What is ${math('<annotation encoding="application/x-tex">\\sqrt{{16}}</annotation>')} and ${math("")}?</p><p><textEntryInteraction responseIdentifier="RESPONSE"/></p>`,
    });
    const reading = readPackage(packageOf({ "a.xml": item }));
    const stem = reading.ok ? reading.items[0]?.item?.body.stem : "";
    expect(stem).toBe("What is \\(\\sqrt{ {16} }\\) and √16?");
    expect(fillText(stem ?? "", {}, {})).toBe(stem);
  });
});
