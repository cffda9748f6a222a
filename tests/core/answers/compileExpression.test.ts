import { describe, expect, it } from "vitest";
import { compileExpression } from "@/core/answers/compileExpression";
import { rational } from "@/core/numeric/rational";

const scope = { a: rational(3), b: rational(4), half: rational("0.5") };
const run = (source: string) => {
  const value = compileExpression(source)(scope);
  return typeof value === "boolean" ? value : value.toFraction();
};

describe("compileExpression", () => {
  it.each([
    ["a / b", "3/4"],
    ["0.1 + 0.2", "3/10"],
    ["gcd(12, 18) + lcm(4, 6)", "18"],
    ["mod(7, 3)", "1"],
    ["a > b ? 1 : half", "1/2"],
    ["abs(a - b) ^ 2", "1"],
    ["a * b == 12 and b != a", true],
  ])("works out %s exactly", (source, expected) => {
    expect(run(source)).toBe(expected);
  });

  it.each([
    "import('fs')",
    "a.constructor",
    'a["constructor"]',
    "f(x) = x",
    "a = 5",
    "evaluate('1')",
    "createUnit('x')",
    "parse('1')",
    "cos(a)",
    "[1, 2]",
    "{a: 1}",
    "'text'; 1",
    "((",
  ])("refuses %s", (source) => {
    expect(() => compileExpression(source)(scope)).toThrowError(expect.objectContaining({ code: "bad-expression" }));
  });

  it("names what is missing instead of guessing", () => {
    expect(() => compileExpression("a + unknown")(scope)).toThrowError(
      expect.objectContaining({ code: "bad-expression" }),
    );
    expect(() => compileExpression("a / 0")(scope)).toThrowError(expect.objectContaining({ code: "bad-expression" }));
  });
});
