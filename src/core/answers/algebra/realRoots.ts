import { type Rational, rational } from "../../numeric/rational";
import { type Polynomial, polynomial } from "./polynomial";

/** A real root: an open interval with rational ends that holds no other root, or the root itself when low equals high. */
export interface RootInterval {
  readonly low: Rational;
  readonly high: Rational;
}

/**
 * The polynomial without repeated factors: same roots, each once.
 * @example writePolynomial(withoutRepeats(rationalFunction(readAlgebra("x^2").left, "x").top), "x") // "x"
 */
export function withoutRepeats(of: Polynomial): Polynomial {
  const repeated = polynomial.common(of, polynomial.derivative(of));
  return repeated.length > 1 ? polynomial.divide(of, repeated).quotient : of;
}

/**
 * Sturm's chain (1829) of a polynomial without repeated factors, each member scaled to leading coefficient 1 or -1.
 * @example sturmChain(rationalFunction(readAlgebra("x^2 - 4").left, "x").top).length // 3
 */
export function sturmChain(of: Polynomial): Polynomial[] {
  const chain: Polynomial[] = [of, polynomial.derivative(of)];
  for (;;) {
    const [before, last] = [chain.at(-2) ?? [], chain.at(-1) ?? []];
    if (last.length === 0) return chain.slice(0, -1);
    const { rest } = polynomial.divide(before, last);
    if (rest.length === 0) return chain;
    // Unscaled, the digits of the coefficients double with every member.
    chain.push(polynomial.scale(rest, rational(-1).div((rest.at(-1) as Rational).abs())));
  }
}

/**
 * Number of different real roots above `low` and up to `high`, by Sturm's theorem.
 * @example rootsBetween(sturmChain(rationalFunction(readAlgebra("x^2 - 4").left, "x").top), rational(0), rational(5)) // 1
 */
export function rootsBetween(chain: readonly Polynomial[], low: Rational, high: Rational): number {
  const changes = (x: Rational) => {
    const signs = chain
      .map((member) => polynomial.value(member, x))
      .flatMap((value) => (value.n === 0n ? [] : [value.s]));
    return signs.filter((sign, place) => place > 0 && sign !== signs[place - 1]).length;
  };
  return changes(low) - changes(high);
}

/**
 * The real roots of a polynomial that is not zero, rising, each in an interval of its own (bisection with Sturm's theorem).
 * @example realRoots(rationalFunction(readAlgebra("x^2 - 4").left, "x").top).length // 2
 */
export function realRoots(of: Polynomial): RootInterval[] {
  const free = withoutRepeats(of);
  if (free.length < 2) return [];
  const bound = powerOfTwoOver(cauchyBound(free));
  return isolate(free, sturmChain(free), bound.neg(), bound);
}

/** No root lies further out (Cauchy 1829): 1 + the largest share of a coefficient in the leading one. */
function cauchyBound(of: Polynomial): Rational {
  const leading = of.at(-1) as Rational;
  const shares = of.slice(0, -1).map((coefficient) => coefficient.div(leading).abs());
  return shares.reduce((most, share) => (share.compare(most) > 0 ? share : most), rational(0)).add(1);
}

/** Halves of powers of two keep few digits; halves of other numbers get longer with every step. */
function powerOfTwoOver(value: Rational): Rational {
  return rational(2n ** BigInt(value.ceil().n.toString(2).length));
}

function isolate(of: Polynomial, chain: readonly Polynomial[], low: Rational, high: Rational): RootInterval[] {
  const count = rootsBetween(chain, low, high);
  if (count === 0) return [];
  if (count === 1) return [{ low, high }];
  const middle = low.add(high).div(2);
  if (!polynomial.value(of, middle).equals(0))
    return [...isolate(of, chain, low, middle), ...isolate(of, chain, middle, high)];
  const others = polynomial.divide(of, [middle.neg(), rational(1)]).quotient;
  const rest = sturmChain(others);
  return [...isolate(others, rest, low, middle), { low: middle, high: middle }, ...isolate(others, rest, middle, high)];
}
