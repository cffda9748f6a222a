import { type Rational, rational } from "../../numeric/rational";
import { writeNumber } from "../writeNumber";
import type { AlgebraLine, Relation } from "./node";
import { type Polynomial, polynomial } from "./polynomial";
import { TURNED } from "./turnedRelation";
import { writeLine } from "./writeLine";
import { writeNode } from "./writeNode";
import { writePolynomial } from "./writePolynomial";
import { writeTerms } from "./writeTerms";
import { multipliedOut, type WrittenTerm, writtenTerms } from "./writtenTerms";

export type StepKind = "multiply-out" | "collect" | "move-unknown" | "move-number" | "divide" | "multiply";

/** A step that brings a line nearer to done, what it is done with, and the line it gives. */
export interface UsefulStep {
  readonly kind: StepKind;
  readonly with: string;
  readonly line: string;
}

/**
 * The next useful step from a line in one unknown: brackets first, then like terms, then unknowns to one side, numbers to the
 * other, and the coefficient last. Null when it is done, or is not of polynomials in the unknown.
 * @example nextUsefulStep(readAlgebra("2x + 3 = 7"), "x") // { kind: "move-number", with: "3", line: "2x = 4" }
 */
export function nextUsefulStep(line: AlgebraLine, unknown: string): UsefulStep | null {
  const left = writtenTerms(line.left, unknown);
  const right = line.right ? writtenTerms(line.right, unknown) : [];
  if (!left || !right) return null;
  const write = (one: string, other: string, relation = line.relation) =>
    writeLine(one, relation, line.right ? other : null);
  const bracket = [...left, ...right].find((term) => term.bracket);
  const terms = (side: readonly WrittenTerm[]) => writeTerms(side.flatMap(multipliedOut), unknown);
  if (bracket)
    return {
      kind: "multiply-out",
      with: writeNode(bracket.node),
      line: write(terms(left), terms(right)),
    };
  const [l, r] = [total(left), total(right)];
  const collected = write(writePolynomial(l, unknown), writePolynomial(r, unknown));
  const alike = likeTerms(left) ?? likeTerms(right);
  if (alike) return { kind: "collect", with: writeTerms(alike, unknown), line: collected };
  if (!line.right || !line.relation || l.length > 2 || r.length > 2) return null;
  return solvingStep(l, r, line.relation, unknown);
}

function total(terms: readonly WrittenTerm[]): Polynomial {
  return terms.reduce<Polynomial>((sum, { value }) => polynomial.add(sum, value), []);
}

/** The terms of the highest power that stands there more than once. */
function likeTerms(side: readonly WrittenTerm[]): Polynomial[] | null {
  const lengths = side.map(({ value }) => value.length);
  const twice = lengths.filter((length, place) => lengths.indexOf(length) !== place);
  if (twice.length === 0) return null;
  return side.flatMap(({ value }) => (value.length === Math.max(...twice) ? [value] : []));
}

/** One step on a x + b = c x + d, sides collected. */
function solvingStep(left: Polynomial, right: Polynomial, relation: Relation, unknown: string): UsefulStep | null {
  const zero = rational(0);
  const [b, a, d, c] = [left[0] ?? zero, left[1] ?? zero, right[0] ?? zero, right[1] ?? zero];
  const say = (one: Polynomial, other: Polynomial) =>
    writeLine(writePolynomial(one, unknown), relation, writePolynomial(other, unknown));
  const linear = (constant: Rational, slope: Rational) =>
    polynomial.add([constant], polynomial.scale(polynomial.unknown, slope));
  if (!a.equals(0) && !c.equals(0)) {
    const moved = a.compare(c) >= 0 ? c : a;
    const shift = polynomial.scale(polynomial.unknown, moved);
    return {
      kind: "move-unknown",
      with: writePolynomial(shift, unknown),
      line: say(polynomial.subtract(linear(b, a), shift), polynomial.subtract(linear(d, c), shift)),
    };
  }
  const onLeft = !a.equals(0);
  const [slope, beside, other] = onLeft ? [a, b, d] : [c, d, b];
  if (slope.equals(0)) return null;
  const place = (withUnknown: Polynomial, number: Polynomial) =>
    onLeft ? say(withUnknown, number) : say(number, withUnknown);
  if (!beside.equals(0))
    return {
      kind: "move-number",
      with: writeNumber(beside, "fraction"),
      line: place(linear(zero, slope), polynomial.constant(other.sub(beside))),
    };
  if (slope.equals(1)) return null;
  const turned = slope.s < 0n ? TURNED[relation] : relation;
  const solved = [unknown, turned, writeNumber(other.div(slope), "fraction")];
  const whole = slope.n !== 1n || slope.d === 1n;
  return {
    kind: whole ? "divide" : "multiply",
    with: writeNumber(whole ? slope : rational(1).div(slope), "fraction"),
    line: (onLeft ? solved : [solved[2], turned, unknown]).join(" "),
  };
}
