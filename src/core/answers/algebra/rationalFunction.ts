import { type Rational, rational } from "../../numeric/rational";
import type { AlgebraNode } from "./node";
import { type Polynomial, polynomial } from "./polynomial";

/** A fraction of two polynomials in one unknown; the bottom is not zero. */
export interface RationalFunction {
  readonly top: Polynomial;
  readonly bottom: Polynomial;
}

const HIGHEST_DEGREE = 8;
/** Digits of a coefficient over which exact work would take long. */
const LONGEST_COEFFICIENT = 30;
const ONE: Polynomial = polynomial.constant(rational(1));

/**
 * An expression as a fraction of polynomials in its one unknown, not reduced. Null when it has none: pi, roots and absolute
 * values of an unknown, powers that are not whole, a second unknown, division by zero, or a degree above 8.
 * @example rationalFunction(readAlgebra("2x + 3").left, "x") !== null // true
 */
export function rationalFunction(node: AlgebraNode, unknown: string): RationalFunction | null {
  switch (node.kind) {
    case "number":
      return { top: polynomial.constant(node.value), bottom: ONE };
    case "unknown":
      return node.name === unknown ? { top: polynomial.unknown, bottom: ONE } : null;
    case "negative": {
      const of = rationalFunction(node.of, unknown);
      return of && { top: polynomial.scale(of.top, rational(-1)), bottom: of.bottom };
    }
    case "pi":
      return null;
    case "root":
    case "absolute":
      return ofConstant(node.kind, rationalFunction(node.of, unknown));
    case "power":
      return raised(rationalFunction(node.left, unknown), rationalFunction(node.right, unknown));
    default:
      return combined(node.kind, rationalFunction(node.left, unknown), rationalFunction(node.right, unknown));
  }
}

/** "√9" and "|-3|" are numbers; of an unknown, or of what is no square, there is no fraction of polynomials. */
function ofConstant(kind: "root" | "absolute", of: RationalFunction | null): RationalFunction | null {
  if (!of || of.top.length > 1 || of.bottom.length > 1) return null;
  const value: Rational = (of.top[0] ?? rational(0)).div(of.bottom[0] ?? rational(1));
  const made = kind === "absolute" ? value.abs() : squareRoot(value);
  return made && { top: polynomial.constant(made), bottom: ONE };
}

/** Null where the root is no fraction. */
function squareRoot(value: Rational): Rational | null {
  const [top, bottom] = [wholeRoot(value.n), wholeRoot(value.d)];
  return value.s < 0n || top === null || bottom === null ? null : rational(top, bottom);
}

function wholeRoot(of: bigint): bigint | null {
  // Floating point gives the root to within a few; beyond that the number is longer than what is read.
  const near = BigInt(Math.round(Math.sqrt(Number(of))));
  const exact = [near - 1n, near, near + 1n].find((root) => root >= 0n && root * root === of);
  return exact ?? null;
}

function combined(
  kind: "sum" | "difference" | "product" | "quotient",
  one: RationalFunction | null,
  other: RationalFunction | null,
): RationalFunction | null {
  if (!one || !other) return null;
  const { add, subtract, multiply } = polynomial;
  switch (kind) {
    case "product":
      return small({ top: multiply(one.top, other.top), bottom: multiply(one.bottom, other.bottom) });
    case "quotient":
      return other.top.length === 0
        ? null
        : small({ top: multiply(one.top, other.bottom), bottom: multiply(one.bottom, other.top) });
    default: {
      const join = kind === "sum" ? add : subtract;
      // A bottom that both share stays as it is: the degree would grow with every term.
      if (subtract(one.bottom, other.bottom).length === 0)
        return small({ top: join(one.top, other.top), bottom: one.bottom });
      return small({
        top: join(multiply(one.top, other.bottom), multiply(other.top, one.bottom)),
        bottom: multiply(one.bottom, other.bottom),
      });
    }
  }
}

function raised(base: RationalFunction | null, exponent: RationalFunction | null): RationalFunction | null {
  const power = exponent && wholeNumber(exponent);
  if (!base || power === null || Math.abs(power) > HIGHEST_DEGREE) return null;
  if (power < 0 && base.top.length === 0) return null;
  let result: RationalFunction | null = { top: ONE, bottom: ONE };
  const factor = power < 0 ? { top: base.bottom, bottom: base.top } : base;
  for (let n = 0; n < Math.abs(power) && result; n++) result = combined("product", result, factor);
  return result;
}

/** The whole number that a constant fraction stands for; null for anything else. */
function wholeNumber({ top, bottom }: RationalFunction): number | null {
  if (top.length > 1 || bottom.length > 1) return null;
  const value: Rational = (top[0] ?? rational(0)).div(bottom[0] ?? rational(1));
  return value.d === 1n && value.n < 1000n ? value.valueOf() : null;
}

function small(made: RationalFunction): RationalFunction | null {
  const long = [...made.top, ...made.bottom].some(
    ({ n, d }) => String(n).length > LONGEST_COEFFICIENT || String(d).length > LONGEST_COEFFICIENT,
  );
  const high = Math.max(polynomial.degree(made.top), polynomial.degree(made.bottom)) > HIGHEST_DEGREE;
  return long || high ? null : made;
}
