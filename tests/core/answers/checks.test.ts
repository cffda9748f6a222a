import { describe, expect, it } from "vitest";
import { checkCondition } from "@/core/answers/checkCondition";
import { checkMatching } from "@/core/answers/checkMatching";
import { checkNumber } from "@/core/answers/checkNumber";
import { checkOrder } from "@/core/answers/checkOrder";
import { checkSet } from "@/core/answers/checkSet";
import { checkText, type TextRule } from "@/core/answers/checkText";
import { editDistance } from "@/core/answers/editDistance";
import { rational } from "@/core/numeric/rational";

describe("checkNumber", () => {
  const verdict = (answer: string, rule: Parameters<typeof checkNumber>[1]) => {
    const check = checkNumber(answer, rule);
    return check.verdict === "unreadable" ? check.reason : check.verdict;
  };
  const metres = [
    { word: "m", factor: rational(1) },
    { word: "km", factor: rational(1000) },
    { word: "cm", factor: rational(1, 100) },
  ];

  it("is exact without a tolerance, and takes the ends of one", () => {
    expect(verdict("0.333333", { value: rational(1, 3) })).toBe("wrong");
    expect(verdict("2/6", { value: rational(1, 3) })).toBe("right");
    const amount = { value: rational(10), tolerance: { kind: "amount", size: rational("0.5") } } as const;
    expect(["9.5", "10.5", "9.49", "10.51"].map((answer) => verdict(answer, amount))).toEqual([
      "right",
      "right",
      "wrong",
      "wrong",
    ]);
    const share = { value: rational(-200), tolerance: { kind: "share", size: rational(1, 100) } } as const;
    expect(["-198", "-202", "-203"].map((answer) => verdict(answer, share))).toEqual(["right", "right", "wrong"]);
  });

  it("asks for the form that is wanted, without costing a try", () => {
    const value = rational(3, 2);
    expect(verdict("1.5", { value, forms: ["mixed"] })).toBe("other-form");
    expect(verdict("1 1/2", { value, forms: ["mixed"] })).toBe("right");
    expect(verdict("3/2", { value, forms: ["fraction", "decimal"] })).toBe("right");
    expect(verdict("6/4", { value, lowestTerms: true })).toBe("not-lowest-terms");
    expect(verdict("2", { value: rational(2), forms: ["whole"] })).toBe("right");
    expect(verdict("2.0", { value: rational(2), forms: ["whole"] })).toBe("other-form");
    // A wrong value is wrong in any form.
    expect(verdict("1.4", { value, forms: ["mixed"] })).toBe("wrong");
  });

  it("converts units exactly", () => {
    const rule = { value: rational(1500), units: metres, unitRequired: true };
    expect(["1500 m", "1.5 km", "150000 cm", "1500"].map((answer) => verdict(answer, rule))).toEqual([
      "right",
      "right",
      "right",
      "unit-missing",
    ]);
    expect(verdict("1500 km", rule)).toBe("wrong");
    expect(verdict("1500 kg", rule)).toBe("wrong");
    expect(verdict("1500", { ...rule, unitRequired: false })).toBe("right");
  });

  it("refuses senseless rules", () => {
    expect(() => checkNumber("1", { value: rational(1), tolerance: { kind: "amount", size: rational(-1) } })).toThrow(
      /tolerance/,
    );
    expect(() => checkNumber("1", { value: rational(1), forms: [] })).toThrow(/form/);
    expect(() => checkNumber("1", { value: rational(1), units: [{ word: "m", factor: rational(0) }] })).toThrow(
      /units/,
    );
  });
});

describe("checkCondition", () => {
  const multiple = "mod(x, 4) == 0 and x > 50 and x < 60";
  it.each([
    ["52", "right"],
    ["56", "right"],
    ["60", "wrong"],
    ["48", "wrong"],
    ["54", "wrong"],
    ["52.5", "wrong"],
    ["104/2", "right"],
  ] as const)("a multiple of 4 between 50 and 60: %s is %s", (answer, verdict) =>
    expect(checkCondition(answer, multiple).verdict).toBe(verdict),
  );
  it("says what is no number, and refuses a condition it cannot run", () => {
    expect(checkCondition("four", multiple)).toEqual({ verdict: "unreadable", reason: "not-a-number" });
    expect(() => checkCondition("1", "import('fs')")).toThrowError(expect.objectContaining({ code: "bad-expression" }));
  });
});

describe("checkText", () => {
  const rule: TextRule = {
    accepted: ["Fraction", "numérateur", "ratio table"],
    ignoreCase: true,
    ignoreSpacing: false,
    ignoreAccents: true,
    ignorePunctuation: true,
    spelling: "lenient",
  };
  const exact: TextRule = {
    ...rule,
    ignoreCase: false,
    ignoreAccents: false,
    ignorePunctuation: false,
    spelling: "exact",
  };

  it("overlooks what the rule overlooks, and nothing else", () => {
    expect(checkText("  fraction. ", rule)).toEqual({ verdict: "right", as: "Fraction", misspelled: false });
    expect(checkText("numerateur", rule)).toMatchObject({ verdict: "right", misspelled: false });
    expect(checkText("ratio   table", rule)).toMatchObject({ as: "ratio table" });
    expect(checkText("ratiotable", rule).verdict).toBe("wrong");
    expect(checkText("ratiotable", { ...rule, ignoreSpacing: true }).verdict).toBe("right");
    for (const answer of ["fraction", "Fraction.", "numerateur"])
      expect(checkText(answer, exact).verdict).toBe("wrong");
    expect(checkText("Fraction", exact).verdict).toBe("right");
  });

  it("allows one letter from four letters on, two from eight, and none in numbers or short words", () => {
    const of = (accepted: string) => (answer: string) => checkText(answer, { ...rule, accepted: [accepted] });
    expect(of("Fraction")("fracttoin")).toMatchObject({ misspelled: true });
    expect(of("Fraction")("frcton")).toMatchObject({ misspelled: true });
    expect(of("Fraction")("frcon").verdict).toBe("wrong");
    expect(of("half")("hlaf")).toMatchObject({ verdict: "right", misspelled: true });
    expect(of("half")("hal")).toMatchObject({ misspelled: true });
    expect(of("half")("hl").verdict).toBe("wrong");
    expect(of("one")("on").verdict).toBe("wrong");
    expect(of("12345 apples")("12346 apples").verdict).toBe("wrong");
    expect(of("apples")("apple5").verdict).toBe("wrong");
    expect(of("12345 apples")("12345 aples")).toMatchObject({ misspelled: true });
    expect(checkText("quotient", { ...rule, accepted: ["quotients"], notAccepted: ["quotient"] }).verdict).toBe(
      "wrong",
    );
    expect(editDistance("ratoi", "ratio")).toBe(1);
  });

  it("cannot read nothing, or a novel", () => {
    expect(checkText(" . ", rule)).toEqual({ verdict: "unreadable", reason: "empty" });
    expect(checkText("a".repeat(501), rule)).toEqual({ verdict: "unreadable", reason: "too-long" });
    expect(() => checkText("a", { ...rule, accepted: [] })).toThrow(/accepts/);
  });
});

describe("answers in parts", () => {
  const share = (check: { share: { toFraction(): string } }) => check.share.toFraction();

  it("a set earns right less wrong choices, in any order", () => {
    expect(checkSet(["b", "a"], ["a", "b"])).toMatchObject({ verdict: "right" });
    expect(share(checkSet(["a"], ["a", "b", "c"]))).toBe("1/3");
    expect(share(checkSet(["a", "x"], ["a", "b", "c"]))).toBe("0");
    expect(share(checkSet(["a", "b", "x"], ["a", "b", "c"]))).toBe("1/3");
    expect(share(checkSet(["a", "a"], ["a"]))).toBe("1");
    expect(checkSet([], ["a"]).verdict).toBe("wrong");
    expect(() => checkSet(["a"], [])).toThrow(/right/);
  });

  it("an order loses a step for each member that must be moved", () => {
    expect(checkOrder(["a", "b", "c", "d"], ["a", "b", "c", "d"]).verdict).toBe("right");
    expect(share(checkOrder(["b", "c", "d", "a"], ["a", "b", "c", "d"]))).toBe("2/3");
    expect(share(checkOrder(["b", "a", "d", "c"], ["a", "b", "c", "d"]))).toBe("1/3");
    expect(checkOrder(["d", "c", "b", "a"], ["a", "b", "c", "d"]).verdict).toBe("wrong");
    for (const bad of [
      [["a"], ["a"]],
      [
        ["a", "a"],
        ["a", "b"],
      ],
      [
        ["a", "x"],
        ["a", "b"],
      ],
      [["a"], ["a", "b"]],
    ] as const)
      expect(() => checkOrder(bad[0], bad[1])).toThrow(/same on both sides/);
  });

  it("a matching earns the share of the pairs made", () => {
    const wanted = { half: "0.5", quarter: "0.25", third: "1/3" };
    expect(checkMatching(wanted, wanted).verdict).toBe("right");
    expect(share(checkMatching({ half: "0.5", quarter: "1/3", third: null }, wanted))).toBe("1/3");
    expect(checkMatching({}, wanted).verdict).toBe("wrong");
    expect(checkMatching({}, JSON.parse('{"__proto__": "x", "a": "b"}')).verdict).toBe("wrong");
    expect(() => checkMatching({}, {})).toThrow(/pair/);
  });
});
