import type { Polynomial } from "./polynomial";
import { writeTerms } from "./writeTerms";

/**
 * A polynomial, highest power first.
 * @example writePolynomial(rationalFunction(readAlgebra("3 + 2x").left, "x").top, "x") // "2x + 3"
 */
export function writePolynomial(of: Polynomial, unknown: string): string {
  const terms = of.map((coefficient, power) => [...of.slice(0, power).map((own) => own.sub(own)), coefficient]);
  return writeTerms(terms.filter((term) => !term.at(-1)?.equals(0)).reverse(), unknown);
}
