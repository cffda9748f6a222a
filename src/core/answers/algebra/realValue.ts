import type { AlgebraNode } from "./node";

/**
 * The value of an expression at a place, in floating point; NaN where there is none.
 * @example realValue(readAlgebra("√9 + x").left, new Map([["x", 1]])) // 4
 */
export function realValue(node: AlgebraNode, place: ReadonlyMap<string, number>): number {
  const finite = (value: number) => (Number.isFinite(value) ? value : Number.NaN);
  switch (node.kind) {
    case "number":
      return node.value.valueOf();
    case "unknown":
      return place.get(node.name) ?? Number.NaN;
    case "pi":
      return Math.PI;
    case "negative":
      return -realValue(node.of, place);
    case "root":
      return Math.sqrt(realValue(node.of, place));
    case "absolute":
      return Math.abs(realValue(node.of, place));
    default: {
      const [left, right] = [realValue(node.left, place), realValue(node.right, place)];
      if (node.kind === "sum") return finite(left + right);
      if (node.kind === "difference") return finite(left - right);
      if (node.kind === "product") return finite(left * right);
      return finite(node.kind === "quotient" ? left / right : left ** right);
    }
  }
}
