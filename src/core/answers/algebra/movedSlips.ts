import { type Rational, rational } from "../../numeric/rational";
import { type Polynomial, polynomial } from "./polynomial";
import type { ComparedWithZero } from "./sameSolutions";
import type { SlipKind } from "./slip";
import type { WrittenTerm } from "./writtenTerms";

const ONE: Polynomial = polynomial.constant(rational(1));

/**
 * What an equation or inequality becomes by one slip in moving a term or dividing by a coefficient, as "compared with 0".
 * `left` and `right`: the terms of the line before; `leftAfter` and `rightAfter`: those of the student's line, by which a term
 * that stayed and lost its sign is told from one that was moved with the same operation.
 */
export function movedSlips(
  sides: readonly [readonly WrittenTerm[], readonly WrittenTerm[]],
  sidesAfter: readonly [readonly WrittenTerm[], readonly WrittenTerm[]],
  relation: ComparedWithZero["relation"],
): { readonly line: ComparedWithZero; readonly kind: SlipKind }[] {
  const total = (terms: readonly WrittenTerm[]) =>
    terms.reduce<Polynomial>((sum, { value }) => polynomial.add(sum, value), []);
  const difference = polynomial.subtract(total(sides[0]), total(sides[1]));
  const against = (top: Polynomial, kind: SlipKind) => ({ line: { top, bottom: ONE, relation }, kind });
  const flipped = sides.flatMap((terms, side) =>
    terms.map(({ value }) => {
      const twice = polynomial.scale(value, rational(side === 0 ? -2 : 2));
      const stayed = (sidesAfter[side] ?? []).some((after) => polynomial.add(after.value, value).length === 0);
      return against(polynomial.add(difference, twice), stayed ? "sign" : "inverse-operation");
    }),
  );
  // While a bracket stands nobody divides by the coefficient.
  const roots = sides.flat().some(({ bracket }) => bracket) ? [] : coefficientSlips(difference);
  return [...flipped, ...roots.map((root) => against([root.neg(), rational(1)], "inverse-operation"))];
}

/** Wrong roots of a x + b = 0, that is a x = -b: multiplied by a, a taken away or added, or a divided by the other side. */
function coefficientSlips(difference: Polynomial): Rational[] {
  const [b, a] = difference;
  // Nobody divides by 1: a root off by one is a slip in the arithmetic then.
  if (!a || !b || difference.length !== 2 || a.abs().equals(1)) return [];
  const other = b.neg();
  return [other.mul(a), other.sub(a), other.add(a), ...(other.equals(0) ? [] : [a.div(other)])];
}
