import { comparedStatement } from "./comparedStatement";
import { loneUnknown } from "./loneUnknown";
import type { AlgebraLine } from "./node";
import { sameInSeveral } from "./sameInSeveral";
import { sameSolutions } from "./sameSolutions";
import { sameValue } from "./sameValue";
import { unknownsOf } from "./unknownsOf";

/**
 * Whether two lines say the same: expressions, the same value everywhere; equations and inequalities in one unknown, the same
 * real solutions; relations in several unknowns, the same solutions wherever both can be worked out. Null where it cannot be decided.
 * @example equivalentLines(readAlgebra("2x = 6"), readAlgebra("x = 3")) // true
 */
export function equivalentLines(one: AlgebraLine, other: AlgebraLine): boolean | null {
  if (!one.right || !other.right) return one.right || other.right ? false : sameValue(one.left, other.left);
  const names = [
    ...new Set([one, other].flatMap(({ left, right }) => [...unknownsOf(left), ...unknownsOf(right ?? left)])),
  ];
  if (names.length > 1) return sameInSeveral(one, other);
  const unknown = names[0] ?? "x";
  const [first, second] = [comparedStatement([[one]], unknown), comparedStatement([[other]], unknown)];
  if (first && second) return sameSolutions(first, second);
  const [lone, otherLone] = [loneUnknown(one), loneUnknown(other)];
  if (lone && otherLone && one.relation === "=" && other.relation === "=")
    return sameValue(lone.value, otherLone.value);
  return sameInSeveral(one, other);
}
