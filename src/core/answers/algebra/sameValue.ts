import { seededRandom } from "../../numeric/seededRandom";
import type { AlgebraNode } from "./node";
import { unknownsOf } from "./unknownsOf";

/** A prime so large (2^61 - 1) that two different expressions of a school line agree at a drawn place once in 10^15. */
const PRIME = 2n ** 61n - 1n;
const PLACES = 4;
const MOST_EXPONENT = 1000n;
/** Places and relative tolerance where roots leave the rationals. */
const REAL_PLACES = 12;
const REAL_TOLERANCE = 1e-9;

/**
 * True when two expressions have the same value for every value of their unknowns, as fractions of polynomials: both are
 * worked out exactly modulo a large prime at drawn places (Schwartz 1980; Zippel 1979). Expressions with roots or absolute
 * values are compared at real places with a tolerance of 1e-9. Null when neither can be worked out anywhere.
 * @example sameValue(readAlgebra("2(x + 1)").left, readAlgebra("2x + 2").left) // true
 */
export function sameValue(one: AlgebraNode, other: AlgebraNode): boolean | null {
  const names = [...new Set([...unknownsOf(one), ...unknownsOf(other)])];
  // The same places every time: a judgement must not change between two looks.
  const random = seededRandom("same-value");
  let compared = 0;
  for (let n = 0; n < PLACES * 2 && compared < PLACES; n++) {
    const place = new Map(names.map((name) => [name, BigInt(Math.floor(random() * 2 ** 52)) * 509n + 7n]));
    const [first, second] = [modulo(one, place), modulo(other, place)];
    if (first === undefined || second === undefined) return sameRealValue(one, other, names);
    if (first === null && second === null) continue;
    if (first !== second) return false;
    compared++;
  }
  return compared > 0 ? true : null;
}

/** The value modulo the prime; null where it divides by zero, undefined where it leaves the rationals. */
function modulo(node: AlgebraNode, place: ReadonlyMap<string, bigint>): bigint | null | undefined {
  switch (node.kind) {
    case "number":
      return wrap(node.value.s * node.value.n * inverse(node.value.d));
    case "unknown":
      return wrap(place.get(node.name) ?? 0n);
    case "negative": {
      const of = modulo(node.of, place);
      return typeof of === "bigint" ? wrap(-of) : of;
    }
    case "root":
    case "absolute":
      return undefined;
    case "power": {
      const base = modulo(node.left, place);
      const exponent = wholeExponent(node.right);
      if (exponent === undefined || base === undefined) return undefined;
      if (base === null || (base === 0n && exponent < 0n)) return null;
      return exponent < 0n ? powerOf(inverse(base), -exponent) : powerOf(base, exponent);
    }
    default: {
      const [left, right] = [modulo(node.left, place), modulo(node.right, place)];
      if (left === undefined || right === undefined) return undefined;
      if (left === null || right === null || (node.kind === "quotient" && right === 0n)) return null;
      if (node.kind === "sum") return wrap(left + right);
      if (node.kind === "difference") return wrap(left - right);
      return wrap(left * (node.kind === "product" ? right : inverse(right)));
    }
  }
}

const wrap = (value: bigint) => ((value % PRIME) + PRIME) % PRIME;
/** By Fermat's little theorem. */
const inverse = (value: bigint) => powerOf(wrap(value), PRIME - 2n);

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

function sameRealValue(one: AlgebraNode, other: AlgebraNode, names: readonly string[]): boolean | null {
  const random = seededRandom("same-real-value");
  let compared = 0;
  for (let n = 0; n < REAL_PLACES; n++) {
    const place = new Map(names.map((name) => [name, (random() - 0.3) * 8]));
    const [first, second] = [real(one, place), real(other, place)];
    if (Number.isNaN(first) && Number.isNaN(second)) continue;
    if (!(Math.abs(first - second) <= REAL_TOLERANCE * Math.max(1, Math.abs(first), Math.abs(second)))) return false;
    compared++;
  }
  return compared > 0 ? true : null;
}

/** The value in floating point; NaN where there is none. */
function real(node: AlgebraNode, place: ReadonlyMap<string, number>): number {
  const finite = (value: number) => (Number.isFinite(value) ? value : Number.NaN);
  switch (node.kind) {
    case "number":
      return node.value.valueOf();
    case "unknown":
      return place.get(node.name) ?? Number.NaN;
    case "negative":
      return -real(node.of, place);
    case "root":
      return Math.sqrt(real(node.of, place));
    case "absolute":
      return Math.abs(real(node.of, place));
    default: {
      const [left, right] = [real(node.left, place), real(node.right, place)];
      if (node.kind === "sum") return finite(left + right);
      if (node.kind === "difference") return finite(left - right);
      if (node.kind === "product") return finite(left * right);
      return finite(node.kind === "quotient" ? left / right : left ** right);
    }
  }
}
