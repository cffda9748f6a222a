import type { AlgebraNode } from "./node";

/**
 * The letters that occur in an expression, sorted.
 * @example unknownsOf(readAlgebra("a + 2b").left) // ["a", "b"]
 */
export function unknownsOf(node: AlgebraNode): string[] {
  const found = new Set<string>();
  const walk = (inner: AlgebraNode): void => {
    if (inner.kind === "unknown") found.add(inner.name);
    else if ("of" in inner) walk(inner.of);
    else if ("left" in inner) {
      walk(inner.left);
      walk(inner.right);
    }
  };
  walk(node);
  return [...found].sort();
}
