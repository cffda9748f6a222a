import { writeNumber } from "../writeNumber";
import type { AlgebraNode } from "./node";

const STRENGTH = { sum: 1, difference: 1, negative: 2, product: 2, quotient: 2, power: 3 } as const;

/**
 * An expression as it is written by hand, with the brackets it needs: "2(x + 3)", "-(x - 1)/4".
 * @example writeNode(readAlgebra("2*x+1").left) // "2x + 1"
 */
export function writeNode(node: AlgebraNode): string {
  switch (node.kind) {
    case "number":
      return writeNumber(node.value, "fraction");
    case "unknown":
      return node.name;
    case "pi":
      return "π";
    case "root":
      return `√(${writeNode(node.of)})`;
    case "absolute":
      return `|${writeNode(node.of)}|`;
    case "negative":
      return `-${within(node.of, STRENGTH.negative)}`;
    case "sum":
      return `${writeNode(node.left)} + ${writeNode(node.right)}`;
    case "difference":
      return `${writeNode(node.left)} - ${within(node.right, STRENGTH.difference + 1)}`;
    case "quotient":
      return `${within(node.left, STRENGTH.quotient)}/${within(node.right, STRENGTH.quotient + 1)}`;
    case "power":
      return `${within(node.left, STRENGTH.power + 1)}^${within(node.right, STRENGTH.power + 1)}`;
    case "product": {
      const [left, right] = [within(node.left, STRENGTH.product), within(node.right, STRENGTH.product)];
      // Two numbers side by side would be read as one.
      return /^\d/.test(right) ? `${left} * ${right}` : `${left}${right}`;
    }
  }
}

function within(node: AlgebraNode, strength: number): string {
  const own = node.kind in STRENGTH ? STRENGTH[node.kind as keyof typeof STRENGTH] : 4;
  return own < strength ? `(${writeNode(node)})` : writeNode(node);
}
