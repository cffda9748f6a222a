import { readFileSync } from "node:fs";
import { describe, expect, it } from "vitest";
import { checkNumber } from "@/core/answers/checkNumber";
import { readDigits } from "@/core/answers/readDigits";
import { unitName } from "@/core/answers/unitName";
import { rational } from "@/core/numeric/rational";

/** What was typed, what is right as an exact number, and what should come of it; "ask" costs no try. */
type Typed = readonly [typed: string, key: string, verdict: "right" | "wrong" | "ask"];
const CORPUS = JSON.parse(readFileSync("tests/reference/typedNumbers.json", "utf8")) as readonly Typed[];

const METRES = { value: rational(30), units: [{ word: "m", factor: rational(1) }], unitRequired: true };
const DOLLARS = { value: rational(5), units: [{ word: "$", factor: rational(1) }], unitRequired: true };
const OFFERED = { value: rational(5), units: [{ word: "m", factor: rational(1) }] };

describe("units as people type them", () => {
  it.each([
    ["30 m", METRES, "right"],
    ["30m", METRES, "right"],
    ["30 metres", METRES, "right"],
    ["30 meter", METRES, "right"],
    ["30 Meters.", METRES, "right"],
    ["30 M", METRES, "right"],
    ["30 ms", METRES, "wrong"],
    ["30 cm", METRES, "wrong"],
    ["30 seconds", METRES, "wrong"],
    ["30 apples", METRES, "wrong"],
    ["30", METRES, "unreadable"],
    ["30.", METRES, "unreadable"],
    ["$5", DOLLARS, "right"],
    ["5 $", DOLLARS, "right"],
    ["5 dollars", DOLLARS, "right"],
    ["€5", DOLLARS, "wrong"],
    ["5", DOLLARS, "unreadable"],
    ["5 kg", OFFERED, "wrong"],
    ["5 m", OFFERED, "right"],
    ["5", OFFERED, "right"],
    ["5.", OFFERED, "right"],
    ["5 apples", OFFERED, "right"],
    ["0.5%", { value: rational(1, 2) }, "wrong"],
    ["50%", { value: rational(1, 2) }, "right"],
    ["50", { value: rational(1, 2) }, "wrong"],
    ["$4.50", { value: rational(9, 2) }, "right"],
    ["50 %", { value: rational(50), units: [{ word: "percent", factor: rational(1) }] }, "right"],
  ] as const)("%s", (typed, rule, verdict) => {
    expect(checkNumber(typed, rule).verdict).toBe(verdict);
  });

  it.each([
    [
      "cm^2",
      ["12 cm²", "12 cm^2", "12 cm2", "12 sq cm", "12 square centimetres", "12 Sq. cm"],
      ["12 cm", "12 cm³", "12 m²"],
    ],
    ["m^3", ["12 m³", "12m^3", "12 cubic metres", "12 cu m"], ["12 m²", "12 m"]],
    [
      "km/h",
      ["12 km/h", "12 km per hour", "12 kilometres per hour", "12 km / h", "12 kmh"],
      ["12 km", "12 m/s", "12 h/km"],
    ],
    ["m/min", ["12 m/min", "12 metres per minute", "12 meters per min"], ["12 m/s", "12 min"]],
    [
      "$/lb",
      ["$12/lb", "12 $/lb", "12 dollars per pound", "$12 per pound", "$ 12 per lb"],
      ["$12", "12 lb/$", "12 $/kg"],
    ],
    ["mi/gal", ["12 mi/gal", "12 miles per gallon"], ["12 mi"]],
  ])("%s: powers and rates", (word, right, wrong) => {
    const rule = { value: rational(12), units: [{ word, factor: rational(1) }], unitRequired: true };
    expect(right.filter((typed) => checkNumber(typed, rule).verdict !== "right")).toEqual([]);
    expect(wrong.filter((typed) => checkNumber(typed, rule).verdict !== "wrong")).toEqual([]);
  });

  it("a power of the number itself is not read as digits", () => {
    for (const typed of ["5²", "5^2", "5 2"])
      expect(checkNumber(typed, { value: rational(52) }).verdict).toBe("unreadable");
  });

  it("no plural makes one unit another", () => {
    expect(["ms", "m", "s", "mins", "lbs", "feet", "S."].map(unitName)).toEqual([
      "ms",
      "m",
      "s",
      "min",
      "lb",
      "ft",
      "s",
    ]);
    expect(["apples", "", "as"].map(unitName)).toEqual([null, null, null]);
  });
});

describe("numbers as people type them", () => {
  it.each(CORPUS)("%j where %s is right: %s", (typed, key, verdict) => {
    const [above = "", below = "1"] = key.split("/");
    const found = checkNumber(typed, { value: rational(BigInt(above), BigInt(below)) }).verdict;
    expect(found === "unreadable" ? "ask" : found).toBe(verdict);
  });

  it("asks back where the comma or point decides, and says that this is why", () => {
    for (const [typed, value] of [
      ["1,500", rational(3, 2)],
      ["1.500", rational(1500)],
      ["-12,345", rational(-12_345, 1000)],
    ] as const)
      expect(checkNumber(typed, { value })).toEqual({ verdict: "unreadable", reason: "two-readings" });
    expect(checkNumber("1,500", { value: rational(15) }).verdict).toBe("wrong");
  });

  it.each(["", ".", "1.", "1,2.3,4", "12,34,567", "0,123,456", "1 23", "01,234,567"])("%j is no number", (text) => {
    expect(readDigits(text)).toBeNull();
  });
});
