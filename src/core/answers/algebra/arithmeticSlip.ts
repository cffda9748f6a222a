import { type Rational, rational } from "../../numeric/rational";
import { writeNumber } from "../writeNumber";
import { equivalentLines } from "./equivalentLines";
import type { AlgebraLine, AlgebraNode } from "./node";
import { polynomial } from "./polynomial";
import { rationalFunction } from "./rationalFunction";
import { comparedWithZero } from "./sameSolutions";
import type { Slip } from "./slip";

/** A number off by more than this, or by more than itself, was hardly a slip in working it out. */
const FURTHEST_OFF = 20;
/** Numbers looked at; a line with more new ones was not made by one step. */
const MOST_NUMBERS = 6;

/**
 * The new number in a line that, were it another, would make it say the same as the line before: the right step with a slip in
 * the arithmetic. Null when no single number near the written one mends the line.
 * @example arithmeticSlip(readAlgebra("2x = 3 * 4"), readAlgebra("2x = 13"), "x")?.kind // "arithmetic"
 */
export function arithmeticSlip(before: AlgebraLine, after: AlgebraLine, unknown: string): Slip | null {
  const stood = numbersIn(before);
  // A number that was copied is no slip in working out, even where another one would mend the line.
  const numbers = numbersIn(after)
    .map((written, place) => ({ written, place }))
    .filter(({ written }) => !stood.some((known) => known.equals(written)));
  for (const { written, place } of numbers.slice(0, MOST_NUMBERS)) {
    const wanted = mendingNumber(before, after, place, unknown);
    if (!wanted || wanted.equals(written)) continue;
    const off = wanted.sub(written).abs();
    const near = off.compare(FURTHEST_OFF) <= 0 && (written.d !== 1n || wanted.d === 1n);
    if (near && equivalentLines(before, withNumber(after, place, wanted)) === true)
      return { kind: "arithmetic", written: writeNumber(written, "fraction"), wanted: writeNumber(wanted, "fraction") };
  }
  return null;
}

/** The value at which the line, linear in the number at that place, fits; found from its values at 0 and 1. */
function mendingNumber(before: AlgebraLine, after: AlgebraLine, place: number, unknown: string): Rational | null {
  const errors = [0, 1].map((value) => errorOf(before, withNumber(after, place, rational(value)), unknown));
  const [atZero, atOne] = errors;
  if (!atZero || !atOne) return null;
  const slope = atOne.sub(atZero);
  return slope.equals(0) ? null : atZero.neg().div(slope);
}

/** How far a line is from saying the same: the difference of expressions at a place, or of an equation's sides at the root before. */
function errorOf(before: AlgebraLine, after: AlgebraLine, unknown: string): Rational | null {
  if (!before.right || !after.right) {
    if (before.right || after.right) return null;
    const made = rationalFunction({ kind: "difference", left: before.left, right: after.left }, unknown);
    return made?.bottom.length === 1 ? polynomial.value(made.top, rational(3)).div(made.bottom[0] ?? 1) : null;
  }
  const [first, second] = [comparedWithZero(before, unknown), comparedWithZero(after, unknown)];
  const [b, a] = first?.top ?? [];
  if (!a || !b || first?.top.length !== 2 || second?.bottom.length !== 1) return null;
  return polynomial.value(second.top, b.neg().div(a)).div(second.bottom[0] ?? 1);
}

function numbersIn(line: AlgebraLine): Rational[] {
  const found: Rational[] = [];
  replaced(line, (value) => {
    found.push(value);
    return value;
  });
  return found;
}

function withNumber(line: AlgebraLine, place: number, by: Rational): AlgebraLine {
  let count = 0;
  return replaced(line, (value) => (count++ === place ? by : value));
}

function replaced({ relation, left, right }: AlgebraLine, change: (value: Rational) => Rational): AlgebraLine {
  const walk = (node: AlgebraNode): AlgebraNode => {
    if (node.kind === "number") return { kind: "number", value: change(node.value) };
    if (node.kind === "unknown" || node.kind === "pi") return node;
    if ("of" in node) return { ...node, of: walk(node.of) };
    const first = walk(node.left);
    return { ...node, left: first, right: walk(node.right) };
  };
  const first = walk(left);
  return { relation, left: first, right: right && walk(right) };
}
