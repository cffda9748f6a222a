import { describe, expect, it } from "vitest";
import { nextUsefulStep } from "@/core/answers/algebra/nextUsefulStep";
import { type Polynomial, polynomial } from "@/core/answers/algebra/polynomial";
import { readAlgebra } from "@/core/answers/algebra/readAlgebra";
import { realRoots } from "@/core/answers/algebra/realRoots";
import { writeNode } from "@/core/answers/algebra/writeNode";
import { checkAlgebra } from "@/core/answers/checkAlgebra";
import { checkStep } from "@/core/answers/checkStep";
import { equivalent } from "@/core/answers/equivalent";
import { rational } from "@/core/numeric/rational";

describe("equivalent", () => {
  it.each([
    ["2(x+3)", "2x + 6"],
    ["x(x+1)", "x^2+x"],
    ["(x+1)²", "x²+2x+1"],
    ["3/4 + 1/4", "1"],
    ["0,5x", "x/2"],
    ["xy", "yx"],
    ["2^10", "1024"],
    ["sqrt(4x)", "2√(x)"],
    ["abs(-3)", "3"],
    ["(x^2-1)/(x-1)", "x+1"],
    ["1½", "3/2"],
    ["−2·3", "-6"],
    ["6 ÷ 4", "1.5"],
    ["x^-1", "1/x"],
    ["2x=6", "x=3"],
    ["6=2x", "x=3"],
    ["x/3=5", "x=15"],
    ["x²=4", "(x-2)(x+2)=0"],
    ["x^2=2", "2x^2=4"],
    ["1/x=2", "x=1/2"],
    ["x^3-x=0", "x(x-1)(x+1)=0"],
    ["0=1", "2=3"],
    ["y=2x+1", "2x-y=-1"],
    ["2x+3y=6", "4x+6y=12"],
    ["(x-2)^2=0", "x=2"],
    ["x^2+1=0", "0=1"],
    ["x=x", "2=2"],
    ["x>3", "-x<-3"],
    ["x<2", "2>x"],
    ["x^2<=2", "-x^2>=-2"],
    ["1/(x-1)>0", "x>1"],
    ["2x+1≥7", "x≥3"],
    ["x^2>4", "(x-2)(x+2)>0"],
    ["(x-1)^2>=0", "x=x"],
  ])("%s and %s", (one, other) => {
    expect(equivalent(one, other)).toBe(true);
    expect(equivalent(other, one)).toBe(true);
  });

  it.each([
    ["(x+1)^2", "x^2+1"],
    ["2x", "3x"],
    ["x", "y"],
    ["x+0.001", "x"],
    ["sqrt(x^2)", "x"],
    ["abs(x)", "x"],
    ["x^2=4", "x=2"],
    ["x=2", "x=3"],
    ["x/x=1", "x=x"],
    ["x=2", "2"],
    ["x=2", "x>=2"],
    ["2x+3y=6", "4x+6y=13"],
    ["x^2=2", "x=1.41421356"],
    ["x>3", "x>=3"],
    ["x>3", "x<3"],
    ["x^2>4", "x>2"],
    ["1/x>0", "x>=0"],
    ["(x-1)^2>0", "x=x"],
    ["x^2>0", "x>0"],
  ])("not %s and %s", (one, other) => {
    expect(equivalent(one, other)).toBe(false);
    expect(equivalent(other, one)).toBe(false);
  });

  it.each([
    "",
    "x+",
    "2=",
    "=2",
    "x=2=3",
    "import('fs')",
    "x;1",
    "constructor",
    "f(x)",
    "[1,2]",
    "'a'",
    "x!",
    "x%2",
    "i",
  ])("cannot read %s as anything harmful", (text) => expect(typeof equivalent(text, "1")).toBe("boolean"));
});

describe("checkAlgebra", () => {
  it("says why an answer cannot be judged", () => {
    expect(checkAlgebra("2(x+1)", "2x+2")).toEqual({ verdict: "right" });
    expect(checkAlgebra("2x+1", "2x+2")).toEqual({ verdict: "wrong" });
    const reasons = [
      ["", "empty"],
      ["2x+", "not-readable"],
      ["1<x>3", "two-relations"],
      ["x".repeat(501), "too-long"],
      [`${"x+".repeat(130)}x`, "too-hard"],
    ] as const;
    for (const [text, reason] of reasons) expect(checkAlgebra(text, "x")).toEqual({ verdict: "unreadable", reason });
    expect(checkAlgebra("x", "???")).toEqual({ verdict: "unreadable", reason: "too-hard" });
  });
});

describe("what is too hard to decide", () => {
  it("begins over degree 8 in a side and over 10 in both together", () => {
    expect(checkAlgebra("x^8 = 1", "2x^8 = 2")).toEqual({ verdict: "right" });
    expect(checkAlgebra("x^9 = 1", "2x^9 = 2")).toEqual({ verdict: "right" });
    expect(checkAlgebra("x^9 = 0", "x = 0")).toEqual({ verdict: "unreadable", reason: "too-hard" });
    expect(checkAlgebra("√x + √(x+5) = 5", "x = 4")).toEqual({
      verdict: "unreadable",
      reason: "too-hard",
    });
    expect(checkAlgebra("x^5 = 2", "x^5 = 3")).toEqual({ verdict: "wrong" });
    expect(checkAlgebra("x^6 = 2", "x^6 = 3")).toEqual({ verdict: "unreadable", reason: "too-hard" });
  });
});

describe("polynomials", () => {
  const of = (...coefficients: number[]) => coefficients.map((value) => rational(value));
  it("divide with rest and share factors", () => {
    const { quotient, rest } = polynomial.divide(of(-1, 0, 0, 1), of(-1, 1));
    expect(quotient.map(String)).toEqual(["1", "1", "1"]);
    expect(rest).toEqual([]);
    expect(polynomial.common(of(-1, 0, 1), of(1, 2, 1)).map(String)).toEqual(["1", "1"]);
  });
  it("have their real roots apart, each once: Sturm's count", () => {
    // (x - 1)^2 (x + 2) (x^2 + 1): two real roots.
    const product = [of(-1, 1), of(-1, 1), of(2, 1), of(1, 0, 1)].reduce<Polynomial>(
      (all, part) => polynomial.multiply(all, part),
      of(1),
    );
    const roots = realRoots(product);
    expect(roots).toHaveLength(2);
    for (const [place, root] of [-2, 1].entries()) {
      expect(roots[place]?.low.valueOf()).toBeLessThanOrEqual(root);
      expect(roots[place]?.high.valueOf()).toBeGreaterThanOrEqual(root);
    }
    expect(realRoots(of(1, 0, 1))).toEqual([]);
    expect(realRoots(of(5))).toEqual([]);
    expect(realRoots(of(0, -2, 0, 1))).toHaveLength(3);
  });
});

describe("checkStep", () => {
  it.each([
    ["2(x+3)=10", "2x+6=10"],
    ["2(x+3)=10", "x+3=5"],
    ["2x+6=10", "2x=4"],
    ["2x+6=10", "2x+6-6=10-6"],
    ["2x+6-6=10-6", "2x=4"],
    ["2x=4", "x=2"],
    ["-2x<6", "x>-3"],
    ["3x+2=x+8", "2x+2=8"],
    ["x/3=5", "x=15"],
    ["3x+5x", "8x"],
    ["12+3*4", "12+12"],
    ["5=x+2", "3=x"],
    ["x-(2-x)", "2x-2"],
  ])("%s to %s is useful", (before, after) => {
    expect(checkStep(before, after)).toMatchObject({ verdict: "useful", equivalent: true, slip: null });
  });

  it.each([
    ["2x+6=10", "2x+7=11"],
    ["2x=4", "4x=8"],
    ["x=2", "x=2"],
    ["2x+6=10", "2(x+3)=10"],
    ["x+1=3", "2x+2=6"],
    ["8x", "3x+5x"],
  ])("%s to %s is only true", (before, after) => {
    expect(checkStep(before, after)).toMatchObject({ verdict: "true", equivalent: true });
  });

  it.each([
    ["2(x+3)=10", "2x+3=10", "distribution"],
    ["3(x-2)", "3x-2", "distribution"],
    ["(x+6)/2=5", "x/2+6=5", "distribution"],
    ["(x+1)^2", "x^2+1", "distribution"],
    ["x-(2-x)", "x-2-x", "sign"],
    ["-(x-3)=4", "-x-3=4", "sign"],
    ["-3(x-2)=12", "-3x-6=12", "sign"],
    ["-x=4", "x=4", "sign"],
    ["2x+6=10", "2x=16", "inverse-operation"],
    ["2x=4", "x=8", "inverse-operation"],
    ["x/3=5", "x=5/3", "inverse-operation"],
    ["3x=12", "x=9", "inverse-operation"],
    ["3x+2=x+8", "4x+2=8", "inverse-operation"],
    ["-2x<6", "x<-3", "direction"],
    ["2x<6", "x>3", "direction"],
    ["(x+1)/2=4", "x+1=2", "inverse-operation"],
    ["2(x+1)=8", "x+1=16", "inverse-operation"],
    ["2(x+1)=8", "x+1=6", "inverse-operation"],
  ])("%s to %s slips by %s", (before, after, kind) => {
    expect(checkStep(before, after)).toMatchObject({ verdict: "wrong", equivalent: false, slip: { kind } });
  });

  it("names the number of an arithmetic slip and what it should be, unless it is far off", () => {
    expect(checkStep("3x+5x", "9x").slip).toEqual({ kind: "arithmetic", written: "9", wanted: "8" });
    expect(checkStep("7+8*2", "7+17").slip).toEqual({ kind: "arithmetic", written: "17", wanted: "16" });
    expect(checkStep("2x=4+3", "2x=8").slip).toEqual({ kind: "arithmetic", written: "8", wanted: "7" });
    expect(checkStep("x+1=30", "x=49").slip).toMatchObject({ kind: "arithmetic", wanted: "29" });
    expect(checkStep("x+1=30", "x=50").slip).toBeNull();
    expect(checkStep("x^2=9", "x=3")).toMatchObject({ verdict: "wrong", slip: null });
  });

  it("names no slip that was not made: a copied number is none, and two explanations are none", () => {
    expect(checkStep("2x=6-2", "2x=2").slip).toBeNull();
    expect(checkStep("(x+1)/2=4", "x+1=2").slip).toEqual({ kind: "inverse-operation" });
    expect(checkStep("3(x+2)=9", "x=9").slip).toBeNull();
  });

  it("hints from the last right line, graded", () => {
    expect(checkStep("2(x+3)=10", "2x+3=10").hints).toEqual([
      { grade: 1, kind: "multiply-out" },
      { grade: 2, kind: "multiply-out", with: "2(x + 3)" },
      { grade: 3, kind: "multiply-out", line: "2x + 6 = 10" },
    ]);
    expect(checkStep("2(x+3)=10", "2x+6=10").hints[2]).toEqual({ grade: 3, kind: "move-number", line: "2x = 4" });
    expect(checkStep("2x=4", "").hints[2]).toEqual({ grade: 3, kind: "divide", line: "x = 2" });
    expect(checkStep("2x=4", "x=2")).toMatchObject({ done: true, hints: [] });
  });

  it("judges several unknowns without guessing at slips, and says what it cannot read", () => {
    expect(checkStep("2x+3y=6", "2x=6-3y")).toMatchObject({ verdict: "true", done: false });
    expect(checkStep("2x+3y=6", "2x=6+3y")).toMatchObject({ verdict: "wrong", slip: null, hints: [] });
    expect(checkStep("2x", "2x=")).toMatchObject({ verdict: "unreadable", reason: "not-readable" });
    expect(checkStep("(", "x")).toMatchObject({ verdict: "unreadable", reason: "not-readable" });
  });
});

describe("the next useful step", () => {
  it.each([
    ["2(x+3)+4=10", "2x + 6 + 4 = 10"],
    ["2x+6+4=10", "2x + 10 = 10"],
    ["3x+2=x+8", "2x + 2 = 8"],
    ["x+2=3x+8", "2 = 2x + 8"],
    ["2x+3=7", "2x = 4"],
    ["7=2x+3", "4 = 2x"],
    ["4=2x", "2 = x"],
    ["x/4=3", "x = 12"],
    ["-3x>12", "x < -4"],
    ["2x-(x-1)", "2x - x + 1"],
    ["-2x/3=4", "x = -6"],
  ])("from %s is %s", (text, wanted) => {
    const line = readAlgebra(text);
    if ("unreadable" in line) throw new Error(line.unreadable);
    expect(nextUsefulStep(line, "x")?.line).toBe(wanted);
  });

  it("leads every linear equation to its solution", () => {
    for (const start of ["3(2x-4)-2(x+1)=7-x", "x/2+x/3=10", "-(x-5)=2(x+1)", "4x-7x+2=11-x", "0.5(x-2)=1.5x"]) {
      let line = start;
      for (let steps = 0; steps < 12; steps++) {
        const read = readAlgebra(line);
        if ("unreadable" in read) throw new Error(line);
        const step = nextUsefulStep(read, "x");
        if (!step) break;
        expect(equivalent(line, step.line), `${line} to ${step.line}`).toBe(true);
        line = step.line;
      }
      expect(line).toMatch(/^x = -?\d+(\/\d+)?$|^-?\d+(\/\d+)? = x$/);
    }
  });

  it("writes expressions as they are written by hand", () => {
    for (const text of ["2(x + 3)", "-(x - 1)/4", "(x + 1)^2", "x - (2 - x)", "3 * 4", "2x/3", "√(x + 1)", "(2/3)x"]) {
      const line = readAlgebra(text);
      if ("unreadable" in line) throw new Error(text);
      const again = writeNode(line.left);
      expect(equivalent(again, text), `${text}: ${again}`).toBe(true);
    }
    const bracket = readAlgebra("2(x+3)");
    expect("left" in bracket && writeNode(bracket.left)).toBe("2(x + 3)");
  });
});
