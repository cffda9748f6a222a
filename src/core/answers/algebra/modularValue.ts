import type { AlgebraNode } from "./node";

/** A prime so large (2^61 - 1) that two different expressions of a school line agree at a drawn place once in 10^15. */
const PRIME = 2n ** 61n - 1n;
const MOST_EXPONENT = 1000n;
/** Pi solves no equation with whole coefficients, and so stands for a number like any drawn one. */
const PI = 1_234_567_890_123_456_789n;

/** A fraction modulo the prime, whose bottom may be 0: "1/0" has no value. */
export interface ModularFraction {
  readonly top: bigint;
  readonly bottom: bigint;
}

/**
 * The value of an expression at a place, modulo the prime, as a fraction that is nowhere divided out; undefined where it leaves the
 * rationals (roots, absolute values, powers that are no whole numbers up to 1000).
 * @example modularFraction(readAlgebra("x/2").left, new Map([["x", 3n]])) // { top: 3n, bottom: 2n }
 */
export function modularFraction(node: AlgebraNode, place: ReadonlyMap<string, bigint>): ModularFraction | undefined {
  switch (node.kind) {
    case "number":
      return { top: wrap(node.value.s * node.value.n), bottom: wrap(node.value.d) };
    case "unknown":
      return { top: wrap(place.get(node.name) ?? 0n), bottom: 1n };
    case "pi":
      return { top: PI, bottom: 1n };
    case "negative": {
      const of = modularFraction(node.of, place);
      return of && { top: wrap(-of.top), bottom: of.bottom };
    }
    case "root":
    case "absolute":
      return undefined;
    case "power": {
      const base = modularFraction(node.left, place);
      const exponent = wholeExponent(node.right);
      if (exponent === undefined || base === undefined) return undefined;
      const [top, bottom] = exponent < 0n ? [base.bottom, base.top] : [base.top, base.bottom];
      const times = exponent < 0n ? -exponent : exponent;
      // A base that has no value has none in any power.
      return base.bottom === 0n ? base : { top: powerOf(top, times), bottom: powerOf(bottom, times) };
    }
    default: {
      const [left, right] = [modularFraction(node.left, place), modularFraction(node.right, place)];
      if (left === undefined || right === undefined) return undefined;
      if (left.bottom === 0n || right.bottom === 0n) return { top: 1n, bottom: 0n };
      if (node.kind === "product") return { top: wrap(left.top * right.top), bottom: wrap(left.bottom * right.bottom) };
      if (node.kind === "quotient")
        return { top: wrap(left.top * right.bottom), bottom: wrap(left.bottom * right.top) };
      // Equal bottoms stay, so that "a/b + c/b" brings no factor of its own.
      if (left.bottom === right.bottom) return { top: joined(node.kind, left.top, right.top), bottom: left.bottom };
      const [one, other] = [wrap(left.top * right.bottom), wrap(right.top * left.bottom)];
      return { top: joined(node.kind, one, other), bottom: wrap(left.bottom * right.bottom) };
    }
  }
}

/**
 * The value modulo the prime; null where it divides by zero, undefined where it leaves the rationals.
 * @example modularValue(readAlgebra("6/x").left, new Map([["x", 3n]])) // 2n
 */
export function modularValue(node: AlgebraNode, place: ReadonlyMap<string, bigint>): bigint | null | undefined {
  const fraction = modularFraction(node, place);
  if (fraction === undefined) return undefined;
  return fraction.bottom === 0n ? null : divideModulo(fraction.top, fraction.bottom);
}

/**
 * The quotient modulo the prime, by Fermat's little theorem; `by` is not 0.
 * @example divideModulo(6n, 3n) // 2n
 */
export const divideModulo = (value: bigint, by: bigint): bigint => wrap(value * powerOf(wrap(by), PRIME - 2n));

/**
 * The remainder from 0 up.
 * @example wrap(2n ** 61n) // 1n
 */
export const wrap = (value: bigint): bigint => ((value % PRIME) + PRIME) % PRIME;

const joined = (kind: "sum" | "difference", one: bigint, other: bigint) =>
  wrap(kind === "sum" ? one + other : one - other);

function powerOf(base: bigint, exponent: bigint): bigint {
  let [result, square] = [1n, base];
  for (let left = exponent; left > 0n; left >>= 1n) {
    if (left & 1n) result = wrap(result * square);
    square = wrap(square * square);
  }
  return result;
}

/** A whole exponent of at most 1,000, written as a number or its negative; undefined for others. */
function wholeExponent(node: AlgebraNode): bigint | undefined {
  if (node.kind === "negative") {
    const of = wholeExponent(node.of);
    return of === undefined ? undefined : -of;
  }
  const whole = node.kind === "number" && node.value.d === 1n && node.value.n <= MOST_EXPONENT;
  return whole ? node.value.s * node.value.n : undefined;
}
