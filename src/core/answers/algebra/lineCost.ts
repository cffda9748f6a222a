import type { AlgebraLine } from "./node";
import { type Polynomial, polynomial } from "./polynomial";
import { multipliedOut, type WrittenTerm, writtenTerms } from "./writtenTerms";

/** What each thing that is still to be done counts; brackets most, since they hide the rest. */
const COST = { bracket: 6, unknown: 2, number: 1, coefficient: 1, bothSides: 1 } as const;

/**
 * How far a line is from done: brackets to multiply out, terms to collect, coefficients to divide by, unknowns on both sides.
 * A line without brackets is judged as collected if that is nearer: "2x + 6 - 6 = 10 - 6" is as good as "2x = 4". Null for
 * lines that are not of polynomials in the unknown.
 * @example lineCost(readAlgebra("2x + 3 = 7"), "x") // { written: 5, collected: 5 }
 */
export function lineCost(
  line: AlgebraLine,
  unknown: string,
): { readonly written: number; readonly collected: number } | null {
  const sides = (line.right ? [line.left, line.right] : [line.left]).map((side) => writtenTerms(side, unknown));
  if (!sides.every((terms) => terms !== null)) return null;
  const written = costOf(sides);
  if (sides.flat().some(({ bracket }) => bracket)) return { written, collected: written };
  const collected = sides.map((terms) => {
    const sum = terms.reduce<Polynomial>((total, { value }) => polynomial.add(total, value), []);
    return [{ value: sum, bracket: false }];
  });
  return { written, collected: Math.min(written, costOf(collected)) };
}

function costOf(sides: readonly (readonly Pick<WrittenTerm, "value" | "bracket">[])[]): number {
  const withUnknown = sides.filter((terms) => terms.some(({ value }) => value.length > 1)).length;
  const terms = sides.flat().reduce((sum, term) => {
    const own = multipliedOut(term).reduce((cost, single) => {
      if (single.length <= 1) return cost + COST.number;
      return cost + COST.unknown + (single.at(-1)?.equals(1) ? 0 : COST.coefficient);
    }, 0);
    return sum + own + (term.bracket ? COST.bracket : 0);
  }, 0);
  return terms + (withUnknown > 1 ? COST.bothSides : 0);
}
