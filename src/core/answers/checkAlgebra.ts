import { equivalentLines } from "./algebra/equivalentLines";
import type { UnreadableAlgebra } from "./algebra/node";
import { readAlgebra } from "./algebra/readAlgebra";

export type AlgebraCheck =
  | { readonly verdict: "right" | "wrong" }
  | { readonly verdict: "unreadable"; readonly reason: UnreadableAlgebra };

/**
 * Checks a typed expression, equation or inequality against the key: right when they are equivalent. "unreadable" is not
 * scored; "too-hard" stands for lines that cannot be decided. The key itself must be readable, or everything is too hard.
 * @example checkAlgebra("2(x + 1)", "2x + 2") // { verdict: "right" }
 */
export function checkAlgebra(answer: string, key: string): AlgebraCheck {
  const [given, wanted] = [readAlgebra(answer), readAlgebra(key)];
  if ("unreadable" in given) return { verdict: "unreadable", reason: given.unreadable };
  const same = "unreadable" in wanted ? null : equivalentLines(given, wanted);
  if (same === null) return { verdict: "unreadable", reason: "too-hard" };
  return { verdict: same ? "right" : "wrong" };
}
