import type { AlgebraLine, AlgebraNode } from "./node";
import { comparedWithZero, sameSolutions } from "./sameSolutions";
import { sameValue } from "./sameValue";
import { unknownsOf } from "./unknownsOf";

/**
 * Whether two lines say the same: expressions, the same value everywhere; equations and inequalities in one unknown, the same
 * real solutions; equations in several unknowns, one a multiple of the other. Null where it cannot be decided.
 * @example equivalentLines(readAlgebra("2x = 6"), readAlgebra("x = 3")) // true
 */
export function equivalentLines(one: AlgebraLine, other: AlgebraLine): boolean | null {
  if (!one.right || !other.right) return one.right || other.right ? false : sameValue(one.left, other.left);
  const names = [
    ...new Set([one, other].flatMap(({ left, right }) => [...unknownsOf(left), ...unknownsOf(right ?? left)])),
  ];
  if (names.length <= 1) {
    const unknown = names[0] ?? "x";
    const [first, second] = [comparedWithZero(one, unknown), comparedWithZero(other, unknown)];
    if (first && second) return sameSolutions(first, second);
  }
  if (one.relation !== "=" || other.relation !== "=") return null;
  const multiple = multiples(differenceOf(one), differenceOf(other));
  // In one unknown "x = 9" and "√x = 3" are no multiples, yet have the same solution: then nothing is said.
  return multiple === false && names.length <= 1 ? null : multiple;
}

const differenceOf = ({ left, right }: AlgebraLine): AlgebraNode =>
  right ? { kind: "difference", left, right } : left;

/** One expression is a constant times the other: their quotient has the same value with all unknowns renamed. */
function multiples(one: AlgebraNode, other: AlgebraNode): boolean | null {
  const [renamedOne, renamedOther] = [renamed(one), renamed(other)];
  return sameValue(
    { kind: "product", left: one, right: renamedOther },
    { kind: "product", left: renamedOne, right: other },
  );
}

/** The same expression at another place: every unknown by another letter (a capital for a small one and the other way round). */
function renamed(node: AlgebraNode): AlgebraNode {
  if (node.kind === "number") return node;
  if (node.kind === "unknown") {
    const small = node.name.toLowerCase() === node.name;
    return { kind: "unknown", name: `${small ? node.name.toUpperCase() : node.name.toLowerCase()}'` };
  }
  if ("of" in node) return { ...node, of: renamed(node.of) };
  return { ...node, left: renamed(node.left), right: renamed(node.right) };
}
