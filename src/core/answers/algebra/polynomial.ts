import { type Rational, rational } from "../../numeric/rational";

/** A polynomial in one unknown: coefficients from the constant up, exact, the last not 0; [] is zero. */
export type Polynomial = readonly Rational[];

const ZERO = rational(0);
const at = (of: Polynomial, power: number): Rational => of[power] ?? ZERO;

function trimmed(coefficients: Rational[]): Polynomial {
  while (coefficients.length > 0 && coefficients.at(-1)?.equals(0)) coefficients.pop();
  return coefficients;
}

/** Exact arithmetic of polynomials in one unknown over the rationals. */
export const polynomial = {
  constant: (value: Rational): Polynomial => trimmed([value]),
  unknown: [ZERO, rational(1)] as Polynomial,
  degree: (of: Polynomial): number => of.length - 1,
  add: (one: Polynomial, other: Polynomial): Polynomial =>
    trimmed(
      Array.from({ length: Math.max(one.length, other.length) }, (_, power) => at(one, power).add(at(other, power))),
    ),
  subtract: (one: Polynomial, other: Polynomial): Polynomial =>
    polynomial.add(one, polynomial.scale(other, rational(-1))),
  scale: (of: Polynomial, factor: Rational): Polynomial => trimmed(of.map((coefficient) => coefficient.mul(factor))),
  multiply(one: Polynomial, other: Polynomial): Polynomial {
    const product = Array.from({ length: Math.max(0, one.length + other.length - 1) }, () => ZERO);
    one.forEach((x, i) => {
      other.forEach((y, j) => {
        product[i + j] = at(product, i + j).add(x.mul(y));
      });
    });
    return trimmed(product);
  },
  /** Quotient and remainder; the divisor is not zero. */
  divide(of: Polynomial, by: Polynomial): { readonly quotient: Polynomial; readonly rest: Polynomial } {
    const quotient = Array.from({ length: Math.max(0, of.length - by.length + 1) }, () => ZERO);
    let rest: Polynomial = of;
    while (rest.length >= by.length && rest.length > 0) {
      const shift = rest.length - by.length;
      const factor = at(rest, rest.length - 1).div(at(by, by.length - 1));
      quotient[shift] = factor;
      const taken = [...Array.from({ length: shift }, () => ZERO), ...by.map((coefficient) => coefficient.mul(factor))];
      // The leading terms cancel exactly; taking them away by hand ends the loop even so.
      rest = trimmed(rest.slice(0, -1).map((coefficient, power) => coefficient.sub(at(taken, power))));
    }
    return { quotient: trimmed(quotient), rest };
  },
  /** Greatest common divisor with leading coefficient 1 (Euclid); zero only for two zeros. */
  common(one: Polynomial, other: Polynomial): Polynomial {
    // Made monic at every step: unscaled, the digits of the coefficients double each time.
    const monic = (of: Polynomial) =>
      of.length > 0 ? polynomial.scale(of, rational(1).div(at(of, of.length - 1))) : of;
    let [a, b] = [monic(one), monic(other)];
    while (b.length > 0) [a, b] = [b, monic(polynomial.divide(a, b).rest)];
    return a;
  },
  derivative: (of: Polynomial): Polynomial =>
    trimmed(of.slice(1).map((coefficient, power) => coefficient.mul(power + 1))),
  value: (of: Polynomial, x: Rational): Rational =>
    of.reduceRight((sum, coefficient) => sum.mul(x).add(coefficient), ZERO),
} as const;
