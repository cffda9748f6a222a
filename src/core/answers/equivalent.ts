import { equivalentLines } from "./algebra/equivalentLines";
import { readAlgebra } from "./algebra/readAlgebra";

/**
 * Whether two typed lines of algebra say the same: expressions with the same value for all unknowns, equations and
 * inequalities in one unknown with the same real solutions, equations in several unknowns that are multiples of each other.
 * False for a line that cannot be read or decided (`checkAlgebra` says why). Never throws, runs nothing, and is done within
 * milliseconds for any text up to 500 characters.
 * Example: `equivalent("2(x + 3) = 10", "x = 2")` is true.
 * @example equivalent("2(x + 1)", "2x + 2") // true
 */
export function equivalent(one: string, other: string): boolean {
  const [first, second] = [readAlgebra(one), readAlgebra(other)];
  if ("unreadable" in first || "unreadable" in second) return false;
  return equivalentLines(first, second) === true;
}
