import { rational } from "../../numeric/rational";
import type { AlgebraNode } from "./node";
import { type Polynomial, polynomial } from "./polynomial";
import { rationalFunction } from "./rationalFunction";

/** A term of a side as it stands there: its value as a polynomial, and whether a bracket in it is still to be multiplied out. */
export interface WrittenTerm {
  readonly value: Polynomial;
  readonly bracket: boolean;
  readonly node: AlgebraNode;
}

/**
 * The terms of one side of a line, in order, with their signs; null when the side is no polynomial of the unknown.
 * @example writtenTerms(readAlgebra("2x + 3").left, "x")?.length // 2
 */
export function writtenTerms(side: AlgebraNode, unknown: string): WrittenTerm[] | null {
  const parts = flattened(side, false);
  const terms = parts.map(({ node, negative }) => {
    const made = rationalFunction(node, unknown);
    if (made?.bottom.length !== 1) return null;
    const scale = rational(negative ? -1 : 1).div(made.bottom[0] ?? 1);
    const value = polynomial.scale(made.top, scale);
    return { value, bracket: holdsSum(node), node };
  });
  return terms.every((term) => term !== null) ? terms : null;
}

function flattened(node: AlgebraNode, negative: boolean): { node: AlgebraNode; negative: boolean }[] {
  if (node.kind === "sum") return [...flattened(node.left, negative), ...flattened(node.right, negative)];
  // What is taken away as a whole is a bracket of its own.
  if (node.kind === "difference") {
    return isSum(node.right)
      ? [...flattened(node.left, negative), { node: { kind: "negative", of: node.right }, negative }]
      : [...flattened(node.left, negative), ...flattened(node.right, !negative)];
  }
  if (node.kind === "negative" && !isSum(node.of)) return flattened(node.of, !negative);
  return [{ node, negative }];
}

/**
 * @example isSum(readAlgebra("x + 1").left) // true
 */
export function isSum(node: AlgebraNode): boolean {
  return node.kind === "sum" || node.kind === "difference";
}

function holdsSum(node: AlgebraNode): boolean {
  if (isSum(node)) return true;
  if ("of" in node) return holdsSum(node.of);
  return "left" in node && (holdsSum(node.left) || holdsSum(node.right));
}

/**
 * The single terms that a written term comes to once its brackets are multiplied out, highest power first.
 * @example multipliedOut(writtenTerms(readAlgebra("2(x + 3)").left, "x")[0]).length // 2
 */
export function multipliedOut({ value }: Pick<WrittenTerm, "value">): Polynomial[] {
  const single = value.flatMap((coefficient, power) =>
    coefficient.equals(0) ? [] : [[...new Array(power).fill(rational(0)), coefficient]],
  );
  return single.length > 0 ? single.reverse() : [[]];
}
