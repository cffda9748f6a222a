import Fraction from "fraction.js";

/** Exact rational number; the only place that knows which package computes it. */
export type Rational = Fraction;

/**
 * Makes an exact rational from a whole number, a decimal text ("0.25") or a numerator over a denominator (not 0).
 * @example rational(6, 8).toFraction() // "3/4"
 */
export function rational(value: number | bigint | string, denominator: number | bigint = 1): Rational {
  return new Fraction(value).div(new Fraction(denominator));
}

/**
 * True for a value made by `rational` (or by the expression engine, which shares the package).
 * @example isRational(0.5) // false
 */
export function isRational(value: unknown): value is Rational {
  return value instanceof Fraction;
}
